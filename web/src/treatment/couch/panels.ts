import {
  QUALITIES,
  REDNESS,
  RESPONSES,
  SIGNS,
  WHITENING,
  WHITENING_LOOKS,
} from "../../api/enumWords";
import type { Fact, Quality, Response, Sign, Treatment, Whitening, Zone } from "../../api/types";
import type { KeyBinding } from "../../parts/useKeys";
import { zoneName } from "../../parts/words";

/** What can be entered on the couch, one panel each. */
export type PanelName =
  | "redness"
  | "whitening"
  | "wipe"
  | "hot"
  | "quality"
  | "response"
  | "zone"
  | "alarm"
  | "why"
  | "row"
  | "base"
  | "volume"
  | "zoneRest"
  | "beside"
  | "handset"
  | "cues"
  | "asks"
  | "incident"
  | "note"
  | "correct"
  | "pass"
  | "legend";

/** One thing that a panel offers: its key and its button are the same. */
export interface Option {
  on: string;
  says: string;
  more?: string;
  fact: Fact;
  grave?: boolean;
}

const WHITE: [string, Whitening][] = [
  ["0", "NONE"],
  ["c", "CRYSTALS"],
  ["1", "F1"],
  ["2", "F2"],
  ["3", "F3"],
  ["4", "F4"],
];
/** The gravest where the hand finds them first. */
const ALARMS: [string, Sign][] = [
  ["x", "ASKS_TO_STOP"],
  ["1", "EYE"],
  ["2", "BREATHLESS"],
  ["3", "FAINT"],
  ["4", "SWELLING_MOUTH"],
  ["5", "PALPITATION"],
  ["6", "RINGING_EARS"],
  ["7", "WHEALS_BEYOND"],
  ["8", "BLISTER"],
  ["9", "SWELLING"],
  ["0", "WHEALS"],
];
const WHY_EARLY = ["the client had to leave", "it was felt more than planned", "no time left"];

/** The zones that a panel speaks of: those chosen, else all that carry acid. */
export function zonesOf(treatment: Treatment, chosen: Zone[]): Zone[] {
  return chosen.length > 0
    ? chosen
    : treatment.plan.zones.filter((zone) => !treatment.zones[zone]?.ended);
}

/** The zones whose white waits for the swab. */
export function owed(treatment: Treatment, chosen: Zone[]): Zone[] {
  const all = treatment.plan.zones.filter((zone) => treatment.zones[zone]?.wipeOwed);
  const among = all.filter((zone) => chosen.includes(zone));
  return among.length > 0 ? among : all;
}

/** What an open panel offers; the panels of words offer nothing but their field. */
export function options(name: PanelName, treatment: Treatment, chosen: Zone[]): Option[] {
  const zones = zonesOf(treatment, chosen);
  switch (name) {
    case "redness":
      return REDNESS.map((says, grade) => ({
        on: String(grade),
        says,
        fact: { type: "RednessSeen", grades: byZone(zones, grade) },
      }));
    case "whitening":
      return WHITE.filter(([, id]) => id !== "CRYSTALS" || treatment.plan.mayCrystallise).map(
        ([on, grade]) => ({
          on,
          says: WHITENING[grade],
          more: grade === "NONE" ? undefined : WHITENING_LOOKS[grade],
          fact: { type: "WhiteningSeen", zones, grade },
        }),
      );
    case "wipe": {
      const wiped = owed(treatment, chosen);
      if (wiped.length === 0) return [];
      return [
        {
          on: "c",
          says: "comes off: crystals",
          fact: { type: "WipeTested", zones: wiped, cameOff: true },
        },
        {
          on: "s",
          says: "stays: frost",
          fact: { type: "WipeTested", zones: wiped, cameOff: false },
        },
      ];
    }
    case "hot": {
      const zone = chosen[0];
      return zone === undefined
        ? []
        : eleven((value): Fact => ({ type: "HotSpotFelt", zone, value }));
    }
    case "quality":
      return (Object.keys(QUALITIES) as Quality[]).map((quality, i) => ({
        on: String(i + 1),
        says: QUALITIES[quality],
        fact: { type: "QualityTold", quality },
      }));
    case "response":
      return (Object.keys(RESPONSES) as Response[]).map((response, i) => ({
        on: String(i + 1),
        says: RESPONSES[response],
        fact: { type: "ResponseNoted", response },
      }));
    case "alarm":
      return ALARMS.filter(([, sign]) => !treatment.signs.includes(sign)).map(([on, sign]) => ({
        on,
        says: SIGNS[sign],
        grave: true,
        fact: { type: "SignSeen", sign },
      }));
    case "zone":
      return chosen[0] === undefined ? [] : ofZone(chosen[0], treatment);
    case "why":
      return WHY_EARLY.map((reason, i) => ({
        on: String(i + 1),
        says: reason,
        fact: { type: "EarlyEndExplained", reason },
      }));
    case "base":
      return treatment.ledger.more.map(({ words, mmol }, i) => ({
        on: String(i + 1),
        says: `${words} more`,
        fact: { type: "BaseLaidOut", mmol },
      }));
    case "zoneRest": {
      const zone = chosen[0];
      return zone === undefined
        ? []
        : eleven((value): Fact => ({ type: "ZoneAnswered", zone, value }));
    }
    case "beside": {
      const region = besideOf(treatment)?.region;
      return region === undefined
        ? []
        : eleven((value): Fact => ({ type: "RegionAnswered", region, value }));
    }
    case "note":
    case "correct":
    case "pass":
    case "volume":
    case "row":
    case "cues":
    case "asks":
    case "incident":
    case "handset":
    case "legend":
      return [];
  }
}

/** The region beside that is to be asked first: the one that is not at rest, else the last. */
export function besideOf(treatment: Treatment) {
  return treatment.beside.find(({ atRest }) => !atRest) ?? treatment.beside.at(-1);
}

function eleven(fact: (value: number) => Fact): Option[] {
  return Array.from({ length: 11 }, (_, value) => ({
    on: value === 10 ? "t" : String(value),
    says: String(value),
    fact: fact(value),
  }));
}

function ofZone(zone: Zone, treatment: Treatment): Option[] {
  const state = treatment.zones[zone];
  const layer = treatment.layers.at(-1);
  const said: Option[] = REDNESS.map((says, grade) => ({
    on: String(grade),
    says: grade === 0 ? "no redness" : says,
    fact: { type: "RednessSeen", grades: { [zone]: grade } },
  }));
  said.push(
    ...(["NONE", "F1", "F2", "F3", "F4"] as const).map((grade, i): Option => ({
      on: String(5 + i),
      says: grade === "NONE" ? "no white" : `white ${grade}`,
      fact: { type: "WhiteningSeen", zones: [zone], grade },
    })),
  );
  if (layer && !layer.coveredAt && !state?.reached) {
    said.unshift({ on: "c", says: "covered", fact: { type: "ZoneReached", zone } });
  }
  if (treatment.phase === "ACID") {
    said.push({ on: "w", says: "worked in", fact: { type: "WorkedIn", zone } });
    if (layer?.coveredAt && !state?.ended) {
      said.push({ on: "s", says: "spot pass", fact: { type: "SpotPassed", zones: [zone] } });
    }
    said.push(
      { on: "g", says: "edge reached", fact: { type: "EdgeSeen", zone, reached: true } },
      { on: "b", says: "edge not reached", fact: { type: "EdgeSeen", zone, reached: false } },
    );
    if (!state?.ended) {
      said.push({ on: "x", says: "end this zone", grave: true, fact: { type: "ZoneEnded", zone } });
    }
  }
  return said;
}

function byZone(zones: Zone[], grade: number) {
  return Object.fromEntries(zones.map((zone) => [zone, grade]));
}

/** Where a panel speaks of, in words. */
export function placeOf(treatment: Treatment, chosen: Zone[]): string {
  const zones = zonesOf(treatment, chosen);
  return zones.length > 3 || zones.length === 0
    ? chosen.length > 0
      ? `${chosen.length} zones`
      : "everywhere"
    : zones.map(zoneName).join(", ");
}

/** The keys of an open panel. */
export function panelKeys(
  name: PanelName,
  treatment: Treatment,
  chosen: Zone[],
  say: (fact: Fact) => void,
): KeyBinding[] {
  return options(name, treatment, chosen).map(({ on, says, fact }) => ({
    on,
    says,
    does: () => say(fact),
  }));
}
