import classNames from "classnames/bind";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import type { Judged, Run } from "../api/types";
import type { StepsLane } from "../parts/Ribbon";
import { clock } from "../parts/words";
import type { Change } from "./script";
import styles from "./RibbonHands.module.css";

const cx = classNames.bind(styles);

/** Times go by these steps, seconds. */
const STEP = 5;
const KEY_STEP = 15;

interface Picked {
  run: number;
  line: number;
}

/**
 * The lines under the hands, on the ribbon itself: a tap picks one, its body dragged moves it among
 * the others, its right edge dragged gives it another time. Arrow keys on the edge do the same.
 */
export function RibbonHands({
  lane: { x, top, height },
  judged,
  runs,
  picked,
  onPick,
  change,
}: {
  lane: StepsLane;
  judged: Judged;
  runs: Run[];
  picked: Picked;
  onPick: (picked: Picked) => void;
  change: (change: Change) => void;
}) {
  const [drawn, setDrawn] = useState<number | null>(null);
  const said = judged.runs[picked.run]?.lines ?? [];
  const step = runs[picked.run]?.steps[picked.line];
  const here = said.find((line) => line.id === step?.id);

  function secondsAt(event: PointerEvent<HTMLElement>): number {
    const box = event.currentTarget.closest(".ribbon")!.getBoundingClientRect();
    return x.invert(event.clientX - box.left);
  }
  function lineAt(seconds: number): Picked | undefined {
    for (const [run, { lines }] of judged.runs.entries()) {
      const found = lines.find(
        (line) => seconds >= line.startSeconds && seconds < line.startSeconds + line.lengthSeconds,
      );
      const line = runs[run]?.steps.findIndex(({ id }) => id === found?.id) ?? -1;
      if (line >= 0) return { run, line };
    }
    return undefined;
  }
  const start = here?.startSeconds ?? 0;
  const length = drawn ?? here?.lengthSeconds ?? 0;
  // A peel by layers has no minutes to draw at.
  const timed = step && (step.peel === undefined || step.plannedSeconds !== undefined);

  function setLength(seconds: number) {
    if (!here || !step) return;
    const other = Math.round((seconds - here.lengthSeconds) / STEP) * STEP;
    const was = step.plannedSeconds ?? here.lengthSeconds;
    const plannedSeconds = Math.max(STEP, was + other);
    if (plannedSeconds !== was) {
      change({ type: "edit", run: picked.run, at: picked.line, fields: { plannedSeconds } });
    }
  }
  function move(by: -1 | 1) {
    const to = picked.line + by;
    if (!runs[picked.run]?.steps[to]) return;
    change({ type: "move", run: picked.run, at: picked.line, by });
    onPick({ run: picked.run, line: to });
  }
  function keys(event: KeyboardEvent) {
    const by = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (by === 0 || !here) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.altKey) move(by);
    else setLength(here.lengthSeconds + by * KEY_STEP);
  }

  return (
    <div
      className={cx("hands")}
      style={{ top, height, left: x(0), width: x(x.domain()[1]!) - x(0) }}
      onPointerDown={(event) => {
        const line = lineAt(secondsAt(event));
        if (line) onPick(line);
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId) || !here) return;
        const over = lineAt(secondsAt(event));
        if (over?.run === picked.run && over.line !== picked.line) {
          move(over.line > picked.line ? 1 : -1);
        }
      }}
    >
      {here && timed && (
        <div
          role="slider"
          tabIndex={0}
          aria-label={`Time of ${here.words}`}
          aria-valuemin={STEP}
          aria-valuenow={here.lengthSeconds}
          aria-valuetext={clock(here.lengthSeconds * 1000)}
          className={cx("edge")}
          style={{ left: x(start + length) - x(0) }}
          onKeyDown={keys}
          onPointerDown={(event) => {
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
            setDrawn(here.lengthSeconds);
          }}
          onPointerMove={(event) => {
            event.stopPropagation();
            if (drawn === null) return;
            setDrawn(Math.max(STEP, Math.round((secondsAt(event) - start) / STEP) * STEP));
          }}
          onPointerUp={() => {
            if (drawn !== null) setLength(drawn);
            setDrawn(null);
          }}
          onPointerCancel={() => setDrawn(null)}
        >
          {drawn !== null && <span className={cx("time", "mono")}>{clock(drawn * 1000)}</span>}
        </div>
      )}
    </div>
  );
}
