import { REDNESS, SIGNS, STEP_GATES, WHITENING } from "../api/enumWords";
import type { Judged, PlanStation, PlanView, Treatment } from "../api/types";
import { zoneName } from "./words";

/** Everything a ribbon draws; times in seconds from its zero. */
export interface RibbonModel {
  from: number;
  to: number;
  now?: number;
  limit?: number;
  steps: {
    start: number;
    end: number;
    label: string;
    kind: "prep" | "acid" | "ending" | "care" | "spare" | "gap";
  }[];
  layers: { start: number; end: number; number: number; planned: boolean }[];
  layerNote?: string;
  layersMost: number;
  feel: { at: number; value: number }[];
  hold: number;
  stop: number;
  bands: {
    start: number;
    end: number;
    low: number;
    high: number;
    falling: boolean;
  }[];
  bandNote?: string;
  /** What this client felt before, from three peels on. */
  own?: { at: number; low: number; median: number; high: number }[];
  looks: { at: number; label: string }[];
  /** `end`: where the acid came to its end. */
  marks: { at: number; label: string; end?: boolean }[];
  mgPerCm2PerLayer: number;
  /** What must be answered, and before what. */
  gates?: { at: number; label: string }[];
  /** The line that is looked at. */
  picked?: { start: number; end: number };
  /** The lane of steps alone. */
  stepsOnly?: boolean;
}

/** Some steps in outline: minutes from the chair. */
export function ribbonOfSteps(
  outline: Judged["outline"],
  picked?: { start: number; end: number },
): RibbonModel {
  const last = outline.blocks.at(-1);
  return {
    from: 0,
    to: Math.max(600, (last?.startSeconds ?? 0) + (last?.seconds ?? 0)),
    steps: blocks(outline),
    layers: [],
    layersMost: 1,
    feel: [],
    hold: 0,
    stop: 0,
    bands: [],
    looks: [],
    marks: [],
    mgPerCm2PerLayer: 0,
    gates: outline.gates.map((gate) => ({ at: gate.atSeconds, label: STEP_GATES[gate.gate] })),
    picked,
    stepsOnly: true,
  };
}

function blocks(outline: Judged["outline"]): RibbonModel["steps"] {
  return outline.blocks.map((block) => ({
    start: block.startSeconds,
    end: block.startSeconds + block.seconds,
    label: block.label,
    kind: block.kind.toLowerCase() as "prep",
  }));
}

/** A plan in outline: minutes from the chair. */
export function ribbonOfPlan(station: PlanStation): RibbonModel {
  const { plan, judged } = station;
  const course = judged.outline.blocks;
  const acid = course.find((block) => block.kind === "ACID");
  const start = acid?.startSeconds ?? 0;
  const end = start + (acid?.seconds ?? 0);
  const last = course.at(-1);
  const dose = (plan.mgPerCm2PerLayer * plan.layersPlanned).toFixed(2);
  const each = (end - start) / plan.layersPlanned;
  return {
    from: 0,
    to: Math.max(station.bookedMinutes * 60, (last?.startSeconds ?? 0) + (last?.seconds ?? 0)),
    steps: blocks(judged.outline),
    layers: Array.from({ length: plan.layersPlanned }, (_, i) => ({
      start: start + i * each,
      end,
      number: i + 1,
      planned: true,
    })),
    layerNote: `${plan.layersPlanned === 1 ? "1 layer" : `${plan.layersPlanned} layers`}, at most ${plan.layersAtMost} · ${plan.layerMl.toFixed(1)} mL · ${dose} mg/cm²`,
    layersMost: plan.layersAtMost,
    feel: [],
    hold: plan.hold,
    stop: plan.stop,
    bands: [band(plan, start, end)],
    bandNote: `expected ${plan.bandWords}`,
    looks: [],
    marks: [],
    mgPerCm2PerLayer: plan.mgPerCm2PerLayer,
    gates: judged.outline.gates.map((gate) => ({
      at: gate.atSeconds,
      label: STEP_GATES[gate.gate],
    })),
  };
}

/** A running or finished stage: seconds from its first touch. */
export function ribbonOfTreatment(treatment: Treatment, now?: number): RibbonModel | null {
  const last = treatment.events.at(-1);
  const closed = treatment.phase === "SIGNED";
  const model = ribbonOfStage(
    {
      plan: treatment.plan,
      clocks: treatment.clocks,
      limit: treatment.contactLimitSeconds,
      layers: treatment.layers,
      answers: treatment.answers,
      restAt: treatment.restAt,
      events: standing(treatment),
    },
    now ?? (last ? Date.parse(last.at) : 0),
    closed || treatment.restAt !== undefined,
  );
  if (!model) return null;
  return {
    ...model,
    now: closed || now === undefined ? undefined : (now - model.zero) / 1000,
    own: treatment.ownCurve?.points.map(({ minute, ...felt }) => ({ at: minute * 60, ...felt })),
  };
}

/** Every stage in which acid went on, the last included, each on its own clock. */
export function ribbonsOfRecord(treatment: Treatment): { label: string; model: RibbonModel }[] {
  const { before, stage } = treatment;
  const { of, number } = stage;
  const done = before.flatMap((stage, i) => {
    const until = before[i + 1]?.from ?? treatment.stage.from;
    const model = ribbonOfStage(
      {
        ...stage,
        limit: stage.contactLimitSeconds,
        events: standing(treatment).filter(({ at }) => Date.parse(at) < Date.parse(until)),
      },
      Date.parse(until),
      true,
    );
    return model ? [{ label: named(stage.number, of, stage.plan), model }] : [];
  });
  const last = ribbonOfTreatment(treatment);
  return last ? [...done, { label: named(number, of, treatment.plan), model: last }] : done;
}

function named(number: number, of: number, plan: PlanView): string {
  return of === 1 ? plan.formulaCode : `stage ${number} of ${of}: ${plan.formulaCode}`;
}

interface StageTold {
  plan: PlanView;
  clocks: Treatment["clocks"];
  limit: number | undefined;
  layers: Treatment["layers"];
  answers: Treatment["answers"];
  restAt?: string;
  /** What was said up to its end, without mistaken taps; what came before its touch is left out. */
  events: Treatment["events"];
}

/** @param runsTo how far it has come where it has not ended */
function ribbonOfStage(
  stage: StageTold,
  runsTo: number,
  over: boolean,
): (RibbonModel & { zero: number }) | null {
  const { plan, clocks, limit, layers, events } = stage;
  if (!clocks.firstTouch) return null;
  const zero = Date.parse(clocks.firstTouch);
  const at = (instant: string) => (Date.parse(instant) - zero) / 1000;
  const ended = clocks.endedAt ? at(clocks.endedAt) : undefined;
  const rest = stage.restAt ? at(stage.restAt) : undefined;
  const runs = (runsTo - zero) / 1000;
  const through = ended ?? runs;
  const span = over ? (rest ?? through) + 40 : runs * 1.12 + 30;
  return {
    zero,
    from: 0,
    to: Math.max(span, (limit ?? 240) * 1.35, 60),
    limit,
    steps:
      ended === undefined
        ? []
        : [
            {
              start: ended,
              end: rest ?? Math.max(ended, runs),
              label: "end, rest",
              kind: "ending",
            },
          ],
    layers: layers.map((layer) => ({
      start: at(layer.startedAt),
      end: through,
      number: layer.number,
      planned: false,
    })),
    layersMost: Math.max(plan.layersAtMost, layers.length),
    feel: stage.answers
      .filter((told) => told.phase !== "READY")
      .map((told) => ({ at: at(told.at), value: told.value })),
    hold: plan.hold,
    stop: plan.stop,
    bands: layers
      .slice(0, 1)
      .map((layer) => band(plan, at(layer.startedAt), limit ?? at(layer.startedAt) + 180)),
    looks: looks(events, at),
    marks: marks(events, at),
    mgPerCm2PerLayer: plan.mgPerCm2PerLayer,
  };
}

function band(plan: PlanView, start: number, end: number) {
  return {
    start,
    end,
    low: plan.bandLow,
    high: plan.bandHigh,
    falling: plan.bandFalling,
  };
}

function looks(events: Treatment["events"], at: (instant: string) => number) {
  return events.flatMap(({ at: when, fact }) => {
    if (!fact || at(when) < 0) return [];
    switch (fact.type) {
      case "RednessSeen": {
        const worst = Math.max(0, ...Object.values(fact.grades));
        return [{ at: at(when), label: worst === 0 ? "no redness" : (REDNESS[worst] ?? "") }];
      }
      case "WhiteningSeen":
        return [
          {
            at: at(when),
            label: fact.grade === "NONE" ? "no white" : `white, ${WHITENING[fact.grade]}`,
          },
        ];
      case "WipeTested":
        return [
          {
            at: at(when),
            label: fact.cameOff ? "wiped off: crystals" : "stays: frost",
          },
        ];
      case "HotSpotFelt":
        return [{ at: at(when), label: `${zoneName(fact.zone)} ${fact.value}` }];
      case "SignSeen":
        return [{ at: at(when), label: SIGNS[fact.sign] }];
      default:
        return [];
    }
  });
}

function marks(events: Treatment["events"], at: (instant: string) => number) {
  return events.flatMap(({ at: when, fact }) => {
    if (!fact || at(when) < 0) return [];
    switch (fact.type) {
      case "EndingStarted":
        return [{ at: at(when), label: "END", end: true }];
      case "ZoneEnded":
        return [{ at: at(when), label: `${zoneName(fact.zone)} ended` }];
      case "AdviceDeclined":
        return [{ at: at(when), label: `went on: ${fact.reason}` }];
      default:
        return [];
    }
  });
}

/** What happened, without mistaken taps. */
function standing(treatment: Treatment) {
  return treatment.events.filter(({ takenBack }) => !takenBack);
}
