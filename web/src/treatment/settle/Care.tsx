import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Fact, NewEvent, Treatment, Zone } from "../../api/types";
import { Stepper } from "../../parts/Stepper";
import { useNow } from "../../parts/useNow";
import { capital, hour, left, plural, zoneName } from "../../parts/words";
import type { LiveTreatment } from "../useTreatment";
import styles from "./Care.module.css";

const cx = classNames.bind(styles);

export type CareStep = Treatment["care"][number];

/** The steps on calm skin with what was said of them and is not sent yet. */
export function careSteps(treatment: Treatment, unsent: NewEvent[]): CareStep[] {
  return treatment.care.map((step) => {
    const said = (type: "CareStarted" | "CareDone") =>
      unsent.find(({ fact }) => fact.type === type && fact.step === step.id)?.at;
    return {
      ...step,
      startedAt: step.startedAt ?? said("CareStarted"),
      doneAt: step.doneAt ?? said("CareDone"),
    };
  });
}

/** The step whose time runs, and when it is over. */
export function runningCare(steps: CareStep[]): { label: string; off: number } | undefined {
  const on = steps.find(({ startedAt, doneAt }) => startedAt !== undefined && doneAt === undefined);
  return on && { label: on.label, off: Date.parse(on.startedAt!) + (on.seconds ?? 0) * 1000 };
}

/** Starts what has a time of its own; anything else is done at once. */
export function doCare(step: CareStep, say: (fact: Fact) => void) {
  const starts = step.seconds !== undefined && step.startedAt === undefined;
  say({ type: starts ? "CareStarted" : "CareDone", step: step.id });
}

/** Tools, masks and products in their order, each with its time, its gate and what was said to it. */
export function Care({ treatment, live }: { treatment: Treatment; live: LiveTreatment }) {
  const now = useNow(live.offset, 1000);
  const steps = careSteps(treatment, live.unsent);
  if (steps.length === 0) return null;
  return (
    <ol className={cx("care")} aria-label="On the skin, in order">
      {steps.map((step) => (
        <li key={step.id} className={cx(step.doneAt && "done")}>
          <Step step={step} treatment={treatment} now={now} say={live.say} />
        </li>
      ))}
      {treatment.barrierOn && steps.some(({ doneAt }) => doneAt === undefined) && (
        <li>
          <Button color="inherit" onClick={() => live.say({ type: "BarrierWipedOff" })}>
            Barrier wiped off
          </Button>
        </li>
      )}
    </ol>
  );
}

function Step({
  step,
  treatment,
  now,
  say,
}: {
  step: CareStep;
  treatment: Treatment;
  now: number;
  say: LiveTreatment["say"];
}) {
  const [taking, setTaking] = useState(false);
  if (step.doneAt) {
    return (
      <p>
        {capital(step.label)} · <span className="mono">{hour(step.doneAt)}</span>
      </p>
    );
  }
  const runs = step.startedAt !== undefined && step.seconds !== undefined;
  const over = runs ? Date.parse(step.startedAt!) + step.seconds! * 1000 - now : undefined;
  const shut = step.notNow !== undefined;
  return (
    <>
      <Button
        color="inherit"
        disabled={shut}
        onClick={() => (step.extracts && !taking ? setTaking(true) : doCare(step, say))}
      >
        {capital(step.label)}
        {over !== undefined &&
          (over > 0 ? ` · ${left(over)}` : step.kind === "MASK" ? " · lift it" : " · over")}
        <small>{[step.how, placed(step, treatment)].filter(Boolean).join(" · ")}</small>
      </Button>
      {step.said && !runs && <p className="soft">Say first: {step.said}</p>}
      {shut && <p className="warn">{capital(step.notNow!)}.</p>}
      {step.minds.map((mind) => (
        <p key={mind} className="warn">
          Mind: {mind}.
        </p>
      ))}
      {taking && <Points step={step} treatment={treatment} say={say} />}
    </>
  );
}

function placed(step: CareStep, treatment: Treatment): string {
  return step.zones.length < treatment.plan.zones.length ? step.zones.map(zoneName).join(", ") : "";
}

/** Points by zone, and the lancets that they took: each is counted as it is done. */
function Points({
  step,
  treatment,
  say,
}: {
  step: CareStep;
  treatment: Treatment;
  say: LiveTreatment["say"];
}) {
  const [lancets, setLancets] = useState(1);
  const [points, setPoints] = useState<Partial<Record<Zone, number>>>({});
  const fit = step.zones.filter((zone) => {
    const seen = treatment.zones[zone];
    return seen !== undefined && seen.redness <= 1;
  });
  const all = Object.values(points).reduce((sum, many) => sum + many, 0);
  return (
    <div role="group" aria-label="Points">
      <p className="soft">A tap is one point. Only where it is pink at most.</p>
      <div className={cx("points")} data-repeat>
        {fit.map((zone) => (
          <Button
            key={zone}
            color="inherit"
            onClick={() => setPoints((was) => ({ ...was, [zone]: (was[zone] ?? 0) + 1 }))}
          >
            {zoneName(zone)} {points[zone] !== undefined && <b className="mono">{points[zone]}</b>}
          </Button>
        ))}
      </div>
      <Stepper
        label="lancets"
        value={String(lancets)}
        onLess={lancets > 0 ? () => setLancets(lancets - 1) : undefined}
        onMore={lancets < 50 ? () => setLancets(lancets + 1) : undefined}
      />
      <Button
        variant="contained"
        disabled={all === 0}
        onClick={() =>
          say(
            { type: "Extracted", step: step.id, points: points as Record<Zone, number>, lancets },
            { type: "CareDone", step: step.id },
          )
        }
      >
        {plural(all, "point")} done
      </Button>
    </div>
  );
}
