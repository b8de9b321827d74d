import type { Advice, Cue, NewEvent, Told, Treatment, Zone } from "../api/types";

export const ZERO = Date.parse("2026-11-25T14:00:00Z");
export const at = (seconds: number) => new Date(ZERO + seconds * 1000).toISOString();

export function advice(kind: Advice["kind"], row: Advice["row"], line: string = kind): Advice {
  return {
    kind,
    row,
    line,
    reason: "",
    action: "NONE",
    passable: false,
    zones: [],
    steps: [],
    other: "NONE",
  };
}

/** What each of the eleven answers leads to on a balanced plan: hold from 5, stop from 8. */
export const ahead = Array.from({ length: 11 }, (_, value) =>
  value >= 8
    ? advice("END", "STOP_LINE")
    : value >= 5
      ? advice("HOLD", "HOLD_LINE")
      : advice("FINISH", "DONE"),
);

export function cue(seconds: number, kind: Cue["kind"], then: Advice, ifAnswered = ahead): Cue {
  return { at: at(seconds), kind, advice: then, ifAnswered };
}

export const LAYER: Treatment["layers"][number] = {
  number: 1,
  formula: "SAL-10",
  ml: 2.8,
  measured: false,
  startedAt: at(0),
  zones: ["FOREHEAD", "NOSE", "CHIN"],
};
export const ZONE = {
  redness: 0,
  whitening: "NONE" as const,
  wipeOwed: false,
  reached: false,
  ended: false,
};

export function treatment(part: Partial<Treatment> = {}): Treatment {
  return {
    id: "t1",
    visitId: "v1",
    seq: 20,
    serverNow: at(30),
    recalculated: false,
    phase: "ACID",
    plan: {
      formulaCode: "SAL-10",
      formulaName: "Salicylic acid 10 %",
      use: "SELF_LIMITING",
      ending: "COOL_RINSE",
      depth: "VERY_SUPERFICIAL",
      depthLabel: "very superficial",
      zones: ["FOREHEAD", "NOSE", "CHIN"],
      layersPlanned: 1,
      layersAtMost: 1,
      contactSeconds: 180,
      mostContactSeconds: 300,
      dwellSeconds: 0,
      hold: 5,
      stop: 8,
      bandLow: 3,
      bandHigh: 6,
      bandSeconds: 120,
      doneWhen: "",
      bandFalling: true,
      bandWords: "3 to 6 within 2 minutes, then falling",
      mayCrystallise: true,
      firstVisit: true,
      restAtMost: 1,
      phototype: "V",
      sensitivity: "NORMAL",
      percentWv: 10,
      ph: 2.6,
      areaCm2: 560,
      earlierSeconds: {},
      measure: "",
      layerMl: 2.8,
      mgPerCm2PerLayer: 0.5,
    },
    steps: [],
    cover: [],
    briefing: [],
    alarms: [],
    whyOwed: false,
    checkInSeconds: [60, 60, 60, 60, 30, 30, 30, 30, 30, 30, 30],
    contactLimitSeconds: 180,
    layersPlanned: 1,
    layers: [{ ...LAYER, coveredAt: at(25) }],
    zones: { FOREHEAD: { ...ZONE, reached: true }, NOSE: ZONE, CHIN: ZONE },
    signs: [],
    response: "AWAKE",
    fanOn: false,
    answers: [{ at: at(30), value: 3, phase: "ACID", layer: 1, numbed: false }],
    clocks: { firstTouch: at(0), limitAt: at(180), settledAt: at(25), askAt: at(90) },
    advice: advice("FINISH", "DONE", "Leave it to 3:00"),
    ifAnswered: ahead,
    cues: [
      cue(90, "ASK", advice("FINISH", "DONE", "Leave it to 3:00")),
      cue(105, "ADVICE", advice("LOOK_NOW", "NOT_LOOKED")),
      cue(180, "LIMIT", advice("END_NOW", "LIMIT")),
    ],
    endingSteps: [],
    extracted: [],
    noMoreAcid: false,
    beside: [],
    barrierOn: false,
    endedZones: [],
    stage: { number: 1, of: 1, from: at(-300) },
    before: [],
    gate: { answers: [], mayKeep: true },
    addOn: {},
    ledger: {
      acidMmol: 2,
      mgPerCm2: 0.5,
      salicylate: 0.05,
      nextMmol: 2,
      measured: false,
      outruns: false,
      more: [],
    },
    therapist: "ines",
    clientCues: [],
    conflicts: [],
    handset: false,
    care: [],
    events: [],
    ...part,
  };
}

export function unsent(...facts: NewEvent["fact"][]): NewEvent[] {
  return facts.map((fact, i) => ({ id: `e${i}`, at: at(40 + i), fact }));
}

/** The treatment as the server tells it. */
export function told(of: Treatment): Told {
  const all: Advice[] = [];
  const place = (advice: Advice) => {
    if (!all.includes(advice)) all.push(advice);
    return all.indexOf(advice);
  };
  const { plan, steps, briefing, cover, handset, before, care, ...couch } = of;
  const { contactLimitSeconds, layersPlanned, layers, fanOn, clocks, ledger, noMoreAcid } = couch;
  const { signs, alarms, response, answers, endedZones, beside } = couch;
  const { endingSteps, extracted, barrierOn, addOn, restAt } = couch;
  const { id, visitId, seq, serverNow, phase, therapist, stage, gate, clientCues } = couch;
  const { conflicts, whyOwed, recalculated, events } = couch;
  return {
    planned: { seq: 1, plan, steps, briefing, cover, handset, before, care },
    couch: {
      ...{ id, visitId, seq, planned: 1, serverNow, phase, therapist, stage, gate, clientCues },
      ...{ conflicts, whyOwed },
      acid: { contactLimitSeconds, layersPlanned, layers, fanOn, clocks, ledger, noMoreAcid },
      seen: {
        zones: Object.entries(of.zones).map(([zone, look]) => ({ zones: [zone as Zone], look })),
        ...{ signs, alarms, response, answers, endedZones, beside },
      },
      calm: {
        care: care.map(({ id, startedAt, doneAt }) => ({ id, startedAt, doneAt })),
        ...{ endingSteps, extracted, barrierOn, addOn, restAt },
      },
      ahead: {
        now: place(of.advice),
        ifAnswered: of.ifAnswered.map(place),
        cues: of.cues.map(({ at, kind, advice, ifAnswered }) => ({
          ...{ at, kind, advice: place(advice), ifAnswered: ifAnswered.map(place) },
        })),
        checkInSeconds: of.checkInSeconds,
        all,
      },
      log: { recalculated, from: 0, events },
    },
  };
}
