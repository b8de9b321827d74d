import { ALARM_FIRST, ALARM_LINES, ALARM_STEPS_OF, SIGN_WEIGHTS, SIGNS } from "../../api/enumWords";
import type { Alarm, NewEvent, Treatment } from "../../api/types";

const WEIGHTS = ["EMERGENCY", "EYE", "INJURY"] as const;
const RINSE_MS = 15 * 60_000;

/**
 * Every alarm that stands, the gravest first: what the server knows of, and what was said here and
 * not yet sent. Their lines and steps are fixed words, so that they are there without a server.
 */
export function standingAlarms(treatment: Treatment, unsent: NewEvent[]): Alarm[] {
  return WEIGHTS.flatMap((weight) => {
    const known = treatment.alarms.find((alarm) => alarm.weight === weight);
    let signs = known?.signs ?? [];
    let since = known?.since;
    for (const { at, fact } of unsent) {
      if (fact.type === "SignSeen" && SIGN_WEIGHTS[fact.sign] === weight) {
        if (!signs.includes(fact.sign)) signs = [...signs, fact.sign];
        since ??= at;
      }
      if (fact.type === "SignResolved") signs = signs.filter((sign) => sign !== fact.sign);
    }
    if (signs.length === 0 || since === undefined) return [];
    return [
      {
        weight,
        line: ALARM_LINES[weight],
        reason: known?.reason ?? `${signs.map((sign) => SIGNS[sign]).join(", ")}.`,
        since,
        until: weight === "EYE" ? new Date(Date.parse(since) + RINSE_MS).toISOString() : undefined,
        steps: [...ALARM_STEPS_OF[weight]].filter((step) => known?.steps.includes(step) ?? true),
        first: known?.first ?? [...ALARM_FIRST[weight]],
        signs,
      },
    ];
  });
}
