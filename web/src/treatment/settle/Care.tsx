import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Fact, NewEvent, Treatment, Zone } from "../../api/types";
import { middleOf, type Place } from "../../parts/FaceMap";
import { figureOf } from "../../parts/figures";
import { Stepper } from "../../parts/Stepper";
import { useNow } from "../../parts/useNow";
import { capital, hour, left, plural, zoneName } from "../../parts/words";
import type { LiveTreatment } from "../couch/useTreatment";
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
export function Care({
  steps,
  treatment,
  live,
  taking,
  onTake,
}: {
  steps: CareStep[];
  treatment: Treatment;
  live: LiveTreatment;
  /** The step whose points are being taken. */
  taking: string | null;
  onTake: (step: string) => void;
}) {
  const now = useNow(live.offset, 1000);
  if (steps.length === 0) return null;
  return (
    <ol className={cx("care")} aria-label="On the skin, in order">
      {treatment.barrierOn && steps.some(({ doneAt }) => doneAt === undefined) && (
        <li>
          <Button color="inherit" onClick={() => live.say({ type: "BarrierWipedOff" })}>
            Barrier wiped off
          </Button>
        </li>
      )}
      {steps.map((step) => (
        <li key={step.id} className={cx(step.doneAt && "done")}>
          <Step
            step={step}
            treatment={treatment}
            now={now}
            live={live}
            taking={step.id === taking}
            onTake={() => onTake(step.id)}
          />
        </li>
      ))}
    </ol>
  );
}

function Step({
  step,
  treatment,
  now,
  live,
  taking,
  onTake,
}: {
  step: CareStep;
  treatment: Treatment;
  now: number;
  live: LiveTreatment;
  /** Its points are being taken. */
  taking: boolean;
  onTake: () => void;
}) {
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
        onClick={() => (step.extracts ? onTake() : doCare(step, live.say))}
      >
        {capital(step.label)}
        {over !== undefined &&
          (over > 0 ? ` · ${left(over)}` : step.kind === "MASK" ? " · lift it" : " · over")}
        <small>{[step.how, placed(step, treatment)].filter(Boolean).join(" · ")}</small>
      </Button>
      {step.said && !runs && <p className="soft">Say first: {step.said}</p>}
      {shut && <p className="warn">{capital(step.notNow!)}.</p>}
      {step.minds.map(({ words, swap }) => (
        <p key={words} className="warn">
          Mind: {words}. {swap && `${swap}.`}
        </p>
      ))}
      {taking && <Points step={step} treatment={treatment} live={live} />}
    </>
  );
}

function placed(step: CareStep, treatment: Treatment): string {
  return step.zones.length < treatment.plan.zones.length ? step.zones.map(zoneName).join(", ") : "";
}

/** The points as they are taken, on the figure or by the zone's key, and the lancets they took. */
function Points({
  step,
  treatment,
  live,
}: {
  step: CareStep;
  treatment: Treatment;
  live: LiveTreatment;
}) {
  const [lancets, setLancets] = useState(1);
  const points = extractedPoints(treatment, live.unsent);
  const figure = figureOf(treatment.plan.zones[0]);
  return (
    <div role="group" aria-label="Points" className={cx("taken")}>
      <p className="soft">Tap each point on the figure, or its zone here. Pink at most.</p>
      <Stepper
        label="lancets"
        value={String(lancets)}
        onLess={lancets > 1 ? () => setLancets(lancets - 1) : undefined}
        onMore={lancets < 50 ? () => setLancets(lancets + 1) : undefined}
      />
      <Button
        variant="contained"
        disabled={points.length === 0}
        onClick={() =>
          live.say(
            { type: "Extracted", step: step.id, points: [], lancets },
            { type: "CareDone", step: step.id },
          )
        }
      >
        {plural(points.length, "point")} done
      </Button>
      <div className={cx("points")} data-repeat>
        {fitFor(step, treatment).map((zone) => (
          <Button
            key={zone}
            color="inherit"
            onClick={() => live.say(extracted(step, { zone, ...middleOf(figure, zone) }))}
          >
            {zoneName(zone)}
            <b className="mono">{points.filter((point) => point.zone === zone).length || ""}</b>
          </Button>
        ))}
      </div>
    </div>
  );
}

type Point = Treatment["extracted"][number];

/** Zones where a tool may go: of the step, and no more than pink. */
function fitFor(step: CareStep, treatment: Treatment): Zone[] {
  return step.zones.filter((zone) => (treatment.zones[zone]?.redness ?? 3) <= 1);
}

function extracted(step: CareStep, point: Point): Fact {
  return { type: "Extracted", step: step.id, points: [point], lancets: 0 };
}

/** A tap on the figure while points are taken; nothing where the zone is not fit for it. */
export function pointAt(
  step: CareStep,
  treatment: Treatment,
  zone: Zone,
  place: Place,
): Fact | undefined {
  return fitFor(step, treatment).includes(zone) ? extracted(step, { zone, ...place }) : undefined;
}

/** Points that were taken, with those that are not sent yet. */
export function extractedPoints(treatment: Treatment, unsent: NewEvent[]): Point[] {
  return [
    ...treatment.extracted,
    ...unsent.flatMap(({ fact }) => (fact.type === "Extracted" ? fact.points : [])),
  ];
}
