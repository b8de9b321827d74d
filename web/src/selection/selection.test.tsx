import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import type { Rack, Tile } from "../api/types";
import { RackOf } from "./RackOf";
import { ShutList } from "./ShutList";

afterEach(cleanup);

describe("why a formula is shut", () => {
  it("stands in words, with what opens it, and never as an id", () => {
    const shut: Tile["shut"] = [
      { ruleId: "SCR-CONSENT", words: "WAIT: no signed consent", opens: "SIGNATURE" },
      { ruleId: "SCOPE", words: "deeper than the licence", opens: "NONE" },
    ];
    const { container } = render(<ShutList shut={shut} />);
    expect(screen.getByText("opens with: a signature")).toBeTruthy();
    expect(container.textContent).not.toMatch(/[A-Z]_|SCR-|NONE|SIGNATURE/);
  });
});

describe("the rack", () => {
  const tile = (code: string, more: Partial<Tile>) =>
    ({
      code,
      name: code,
      family: "GLYCOLIC",
      strength: "20 %",
      shut: [],
      here: true,
      ...more,
    }) as Tile;

  it("shows the score that competes, and in brackets one that does not", () => {
    const rack = {
      families: [{ id: "GLYCOLIC", label: "glycolic", ranked: true }],
      tiles: [
        tile("GLY-20", { competes: false, shown: 96, score: 96 }),
        tile("GLY-35", { competes: true, shown: 100, score: 104 }),
      ],
      ranked: ["GLY-35"],
    } as unknown as Rack;
    render(<RackOf rack={rack} picked={undefined} beside={null} onPick={() => undefined} />);
    expect(screen.getByText("(96)")).toBeTruthy();
    expect(screen.getByText("100")).toBeTruthy();
    expect(screen.getByText("first").closest("button")?.textContent).toContain("GLY-35");
  });
});
