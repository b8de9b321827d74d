import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Treatment } from "../api/types";
import { wordsFor } from "./handset/words";
import { type CareStep, careSteps, doCare, runningCare } from "./settle/Care";
import { stageWords } from "./couch/stage";
import { useCountOnce } from "./couch/useCountOnce";

afterEach(cleanup);

function Couch({ onTap }: { onTap: () => void }) {
  const twice = useCountOnce();
  return (
    <>
      {twice && <p>counted once</p>}
      <button type="button" onClick={onTap}>
        redness
      </button>
      <div data-repeat>
        <button type="button" onClick={onTap}>
          point
        </button>
      </div>
    </>
  );
}

describe("a double tap", () => {
  const tap = (name: string, x: number) =>
    fireEvent.click(screen.getByRole("button", { name }), { detail: 1, clientX: x, clientY: 10 });

  it("counts once and says so", () => {
    const tapped = vi.fn();
    render(<Couch onTap={tapped} />);
    tap("redness", 10);
    tap("redness", 20);
    expect(tapped).toHaveBeenCalledTimes(1);
    expect(screen.getByText("counted once")).toBeTruthy();
  });

  it("counts twice elsewhere, and where it is meant", () => {
    const tapped = vi.fn();
    render(<Couch onTap={tapped} />);
    tap("redness", 10);
    tap("redness", 300);
    expect(tapped).toHaveBeenCalledTimes(2);
    tap("point", 300);
    tap("point", 300);
    expect(tapped).toHaveBeenCalledTimes(4);
  });

  it("is one press of a key, however long it is leaned on", () => {
    const heard = vi.fn();
    window.addEventListener("keydown", heard);
    render(<Couch onTap={() => undefined} />);
    fireEvent.keyDown(document.body, { key: "f" });
    fireEvent.keyDown(document.body, { key: "f" });
    fireEvent.keyDown(document.body, { key: "f", repeat: true });
    expect(heard).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(document.body, { key: "e" });
    expect(heard).toHaveBeenCalledTimes(2);
    window.removeEventListener("keydown", heard);
  });
});

describe("steps on calm skin", () => {
  const MASK: CareStep = {
    id: "mask",
    kind: "MASK",
    label: "gel mask",
    how: "",
    zones: ["NOSE"],
    seconds: 600,
    extracts: false,
    said: "",
    minds: [],
  };
  const at = "2026-11-25T14:00:00Z";

  it("start where they have a time, and are done at once where they have none", () => {
    const say = vi.fn();
    doCare(MASK, say);
    doCare({ ...MASK, startedAt: at }, say);
    doCare({ ...MASK, seconds: undefined }, say);
    expect(say.mock.calls.map(([fact]) => (fact as { type: string }).type)).toEqual([
      "CareStarted",
      "CareDone",
      "CareDone",
    ]);
  });

  it("run from what was said here, also while it is not sent", () => {
    const unsent = [{ id: "1", at, fact: { type: "CareStarted" as const, step: "mask" } }];
    const steps = careSteps({ care: [MASK] } as unknown as Treatment, unsent);
    expect(runningCare(steps)).toEqual({ label: "gel mask", off: Date.parse(at) + 600_000 });
    expect(runningCare([MASK])).toBeUndefined();
  });
});

describe("where one is", () => {
  const stage = (of: number, next?: Treatment["stage"]["next"]) =>
    stageWords({ stage: { number: 2, of, from: "", before: [], next } } as unknown as Treatment);

  it("is said where a visit has several stages", () => {
    expect(stage(1)).toBe("");
    expect(stage(2)).toBe("stage 2 of 2");
    expect(stage(3, { code: "LAC-10", region: "HANDS", sameSkin: false })).toBe(
      "stage 2 of 3, hands next",
    );
    expect(stage(3, { code: "LAC-10", region: "FACE", sameSkin: true })).toBe(
      "stage 2 of 3, LAC-10 next",
    );
  });
});

describe("the client's phone", () => {
  it("speaks five languages, each whole, and English to the others", () => {
    const english = wordsFor("en-GB");
    expect(wordsFor("ja")).toBe(english);
    for (const language of ["es", "fr", "de-CH", "pt-BR"]) {
      const words = wordsFor(language);
      expect(words).not.toBe(english);
      expect(Object.keys(words)).toEqual(Object.keys(english));
      expect(Object.values(words.cues).every((cue) => cue.length > 0)).toBe(true);
      expect(words.how).not.toBe(english.how);
    }
  });
});
