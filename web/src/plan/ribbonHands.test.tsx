import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { scaleLinear } from "d3-scale";
import { afterEach, expect, test, vi } from "vitest";
import type { Judged, Run } from "../api/types";
import { RibbonHands } from "./RibbonHands";

afterEach(cleanup);

const line = (id: string, startSeconds: number, lengthSeconds: number) => ({
  id,
  words: id,
  startSeconds,
  lengthSeconds,
});
const judged = {
  runs: [{ lines: [line("wash", 0, 120), line("acid", 120, 180), line("base", 300, 180)] }],
} as unknown as Judged;
const runs = [
  {
    region: "FACE",
    steps: [
      { id: "wash", kind: "CLEANSE" },
      { id: "acid", kind: "ACID", peel: "GLY-35", plannedSeconds: 180 },
      { id: "base", kind: "ENDING" },
    ],
  },
] as unknown as Run[];

function hands(line: number) {
  const change = vi.fn();
  const onPick = vi.fn();
  render(
    <div className="ribbon">
      <RibbonHands
        lane={{ x: scaleLinear([0, 480], [0, 480]), top: 0, height: 30 }}
        judged={judged}
        runs={runs}
        picked={{ run: 0, line }}
        onPick={onPick}
        change={change}
      />
    </div>,
  );
  return { change, onPick, edge: () => screen.getByRole("slider") };
}

test("arrow keys on its edge give a line another time", () => {
  const { change, edge } = hands(1);
  expect(edge().getAttribute("aria-valuetext")).toBe("3:00");
  fireEvent.keyDown(edge(), { key: "ArrowLeft" });
  expect(change).toHaveBeenCalledWith({
    type: "edit",
    run: 0,
    at: 1,
    fields: { plannedSeconds: 165 },
  });
});

test("with Alt they move the line among the others", () => {
  const { change, onPick, edge } = hands(1);
  fireEvent.keyDown(edge(), { key: "ArrowRight", altKey: true });
  expect(change).toHaveBeenCalledWith({ type: "move", run: 0, at: 1, by: 1 });
  expect(onPick).toHaveBeenCalledWith({ run: 0, line: 2 });
});

test("the first line goes no further to the left", () => {
  const { change, edge } = hands(0);
  fireEvent.keyDown(edge(), { key: "ArrowLeft", altKey: true });
  expect(change).not.toHaveBeenCalled();
});

test("a line without a time of its own takes the one that it has from its kind", () => {
  const { change, edge } = hands(2);
  fireEvent.keyDown(edge(), { key: "ArrowRight" });
  expect(change).toHaveBeenCalledWith({
    type: "edit",
    run: 0,
    at: 2,
    fields: { plannedSeconds: 195 },
  });
});
