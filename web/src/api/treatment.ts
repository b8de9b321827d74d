// A treatment on the wire tells each advice once and each look of a zone once. The screens read it
// whole: nothing but this file knows how it is told.
import type { components } from "./schema";

type Schemas = components["schemas"];
type Couch = Schemas["CouchView"];
type Planned = Schemas["PlannedView"];
type Advice = Schemas["Advice"];
type CareStep = Schemas["CareView"] & Schemas["CareNow"];

/** What the server is known to have said of a treatment. */
export interface Told {
  couch: Couch;
  /** Stands by the plan: an answer to a tap says by a number whether it still does. */
  planned: Planned;
}

export interface Cue extends Omit<Schemas["CueView"], "advice" | "ifAnswered"> {
  advice: Advice;
  ifAnswered: Advice[];
}

/** What the couch shows now, and what stands by the plan. */
export type Treatment = Omit<
  Couch,
  "planned" | "stepsDone" | "acid" | "seen" | "calm" | "ahead" | "log"
> &
  Couch["acid"] &
  Omit<Couch["seen"], "zones"> &
  Omit<Couch["calm"], "care"> &
  Omit<Couch["log"], "from"> &
  Omit<Planned, "seq" | "care"> & {
    zones: Partial<Record<Schemas["ZoneWords"]["id"], Schemas["ZoneView"]>>;
    care: CareStep[];
    advice: Advice;
    /** The advice for each of the eleven answers that may come next. */
    ifAnswered: Advice[];
    cues: Cue[];
    checkInSeconds: number[];
  };

export function unfold({ couch, planned }: Told): Treatment {
  const { acid, seen, calm, ahead, log } = couch;
  const { id, visitId, seq, serverNow, phase, therapist, clockJump, stage } = couch;
  const { gate, stepsDone, clientCues, conflicts, whyOwed } = couch;
  const { plan, briefing, cover, acidPrepSeconds, shortened, handset, before, ownCurve } = planned;
  const all = ahead.all.map((told): Advice => ({
    ...{ action: "NONE", passable: false, zones: [], steps: [], other: "NONE" },
    ...told,
  }));
  const advice = (place: number) => all[place]!;
  return {
    ...{ id, visitId, seq, serverNow, phase, therapist, clockJump, stage, gate },
    ...{ clientCues, conflicts, whyOwed },
    ...{ plan, briefing, cover, acidPrepSeconds, shortened, handset, before, ownCurve },
    ...acid,
    ...seen,
    ...calm,
    recalculated: log.recalculated,
    undo: log.undo,
    events: log.events,
    steps: stepsDone
      ? planned.steps.map((step) => ({ ...step, doneAt: stepsDone[step.id] }))
      : planned.steps,
    zones: Object.fromEntries(
      seen.zones.flatMap(({ zones, look }) => zones.map((zone) => [zone, look])),
    ),
    care: calm.care.map((step) => ({
      ...planned.care.find(({ id }) => id === step.id)!,
      ...step,
    })),
    advice: advice(ahead.now),
    ifAnswered: ahead.ifAnswered.map(advice),
    cues: ahead.cues.map((cue) => ({
      ...cue,
      advice: advice(cue.advice),
      ifAnswered: cue.ifAnswered.map(advice),
    })),
    checkInSeconds: ahead.checkInSeconds,
  };
}

/** An answer tells only the entries that are new; those known before it stay. */
export function taken(before: Told, couch: Couch): Told {
  const { log } = couch;
  if (log.from === 0) return { couch, planned: before.planned };
  const earlier = before.couch.log.events.slice(0, log.from);
  return {
    couch: { ...couch, log: { ...log, from: 0, events: [...earlier, ...log.events] } },
    planned: before.planned,
  };
}
