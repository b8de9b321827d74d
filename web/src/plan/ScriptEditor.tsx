import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";
import { SEVERITIES, STEP_GATES, STEP_KINDS } from "../api/enumWords";
import type { Judged, Objection, Run, ScriptLine, ScriptWords, Step, Zone } from "../api/types";
import { clock, zoneName } from "../parts/words";
import { AddLine } from "./AddLine";
import type { Change } from "./script";
import styles from "./ScriptEditor.module.css";

const cx = classNames.bind(styles);

/** The lines of one run, each with what is objected to it. */
export function ScriptEditor({
  run,
  at,
  judged,
  words,
  picked,
  adding,
  locked,
  onPick,
  onAdding,
  change,
}: {
  run: Run;
  at: number;
  judged: Judged | undefined;
  words: ScriptWords;
  picked: number;
  adding: boolean;
  locked?: boolean;
  onPick: (line: number) => void;
  onAdding: (open: boolean) => void;
  change: (change: Change) => void;
}) {
  const lines = new Map(judged?.runs[at]?.lines.map((line) => [line.id, line]));
  const add = (step: Step) => {
    change({ type: "insert", run: at, after: picked, step });
    onPick(Math.min(picked + 1, run.steps.length));
  };
  return (
    <div className={cx("script")}>
      <ol aria-label="Lines">
        {run.steps.map((step, i) => (
          <Line
            key={step.id}
            step={step}
            number={i + 1}
            said={lines.get(step.id)}
            objections={
              judged?.objections.filter((one) => one.run === at && one.step === step.id) ?? []
            }
            picked={i === picked}
            locked={locked}
            onPick={() => onPick(i)}
            onSwap={(objection) =>
              objection.swap && change({ type: "swap", run: at, edits: objection.swap.edits })
            }
          >
            {adding && i === picked && (
              <AddLine words={words} run={run} onAdd={add} onClose={() => onAdding(false)} />
            )}
          </Line>
        ))}
      </ol>
      {run.steps.length === 0 && !adding && (
        <p className={cx("empty-script")}>
          No line yet. Type <kbd>/</kbd> and the first thing that is done.
        </p>
      )}
      {adding && (run.steps.length === 0 || picked < 0) && (
        <AddLine words={words} run={run} onAdd={add} onClose={() => onAdding(false)} />
      )}
    </div>
  );
}

function Line({
  step,
  number,
  said,
  objections,
  picked,
  locked,
  onPick,
  onSwap,
  children,
}: {
  step: Step;
  number: number;
  said: ScriptLine | undefined;
  objections: Objection[];
  picked: boolean;
  locked?: boolean;
  onPick: () => void;
  onSwap: (objection: Objection) => void;
  children: React.ReactNode;
}) {
  const line = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (picked) line.current?.scrollIntoView({ block: "nearest" });
  }, [picked]);
  return (
    <li>
      <button
        type="button"
        ref={line}
        className={cx("script-line", picked ? "here" : "")}
        aria-current={picked}
        onClick={onPick}
      >
        <span className={cx("number", "mono")}>{number}</span>
        <span className={cx("kind")}>{STEP_KINDS[step.kind]}</span>
        <b className={cx("what", step.kind === "ACID" ? "acid" : "")}>
          {said?.words ?? step.peel ?? step.product ?? step.act}
        </b>
        <span className={cx("amount")}>{said?.mix || said?.amount}</span>
        <span className={cx("zones")}>{zonesOf(step)}</span>
        <span className={cx("time", "mono")}>{timeOf(step)}</span>
        <span className={cx("gate")}>{step.gate && STEP_GATES[step.gate]}</span>
      </button>
      {objections.map((objection) => (
        <div
          key={objection.rule + objection.words}
          className={cx("objection", objection.severity.toLowerCase())}
        >
          <span>
            <b>{SEVERITIES[objection.severity]}</b> {objection.words}.{" "}
            <abbr className="small soft mono" title={objection.source}>
              {objection.rule}
            </abbr>
          </span>
          {objection.swap && !locked && (
            <Button size="small" onClick={() => onSwap(objection)}>
              {objection.swap.words}
            </Button>
          )}
        </div>
      ))}
      {children}
    </li>
  );
}

function zonesOf(step: Step): string {
  const sooner = Object.entries(step.earlierSeconds ?? {}).map(
    ([zone, seconds]) => `${zoneName(zone as Zone)} off at ${clock(seconds * 1000)}`,
  );
  return [allZonesOf(step), ...sooner].join(", ");
}

function allZonesOf(step: Step): string {
  if (step.zones.length === 0) return "all";
  return step.zones.length > 2
    ? `${step.zones.length} zones`
    : step.zones.map((zone) => zoneName(zone)).join(", ");
}

function timeOf(step: Step): string {
  const time = step.plannedSeconds === undefined ? "" : clock(step.plannedSeconds * 1000);
  if (step.layersAtMost === 1) return time;
  const layers =
    step.layers === step.layersAtMost
      ? `× ${step.layers}`
      : `× ${step.layers} to ${step.layersAtMost}`;
  return `${time} ${layers}`.trim();
}
