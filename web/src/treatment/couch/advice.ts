import { SILENT } from "../../api/enumWords";
import type { Advice, Cue, Fact, NewEvent, Treatment } from "../../api/types";

/** The cue whose time has come last; none before the first. */
/** Said with the advice once an entry was corrected. */
export const RECALCULATED = " Worked out again after a correction.";

export function cueAt(treatment: Treatment, now: number): Cue | undefined {
  return treatment.cues.findLast((cue) => Date.parse(cue.at) <= now);
}

/** Words for when the server is away and more was said than it had judged beforehand. */
export const NO_ADVICE: Pick<Advice, "line" | "reason"> = {
  line: "No advice without the server",
  reason: "Limit and clocks hold. END works. What you enter is kept and sent when it is back.",
};

/** How long after the check-in a missing look becomes the advice. */
const GRACE_SECONDS = 15;

/**
 * The advice that holds now: what the server gave, moved on by its own cues; after one answer that
 * it does not know yet, what it said would follow from that answer. While the server only takes its
 * time the standing advice stays; when it is away and more was said than it had judged, none.
 */
export function adviceNow(
  treatment: Treatment,
  unsent: NewEvent[],
  now: number,
  away: boolean,
): Advice | null {
  const standing = cueAt(treatment, now)?.advice ?? treatment.advice;
  const telling = unsent.filter(({ fact }) => !isSilent(fact));
  if (telling.length === 0 || standing.kind === "END_NOW") return standing;
  const [first] = telling;
  const judged =
    telling.length === 1 && first?.fact.type === "SensationAnswered"
      ? answersNow(treatment, Date.parse(first.at))[first.fact.value]
      : undefined;
  if (!away) return judged ?? standing;
  const gone = stale(treatment, telling, now);
  return gone ?? judged ?? null;
}

/** No advice changes by it. */
function isSilent({ type }: Fact): boolean {
  return SILENT.some((silent) => silent === type);
}

/** What was told last and not sent has itself gone stale: look now, whatever it had led to. */
function stale(treatment: Treatment, telling: NewEvent[], now: number): Advice | null {
  const last = telling.findLast(({ fact }) => fact.type === "SensationAnswered");
  if (treatment.phase !== "ACID" || last?.fact.type !== "SensationAnswered") return null;
  if (telling.some(({ fact }) => fact.type === "EndingStarted")) return null;
  const due = askAfter(treatment, last);
  return due === undefined || now < due + GRACE_SECONDS * 1000
    ? null
    : {
        kind: "LOOK_NOW",
        row: "NOT_LOOKED",
        line: "Look now, and ask",
        reason: `No answer since the last, ${last.fact.value}.`,
        action: "ASK",
        passable: false,
        zones: [],
        steps: [],
        other: "NONE",
      };
}

/** When to ask again after an answer that is not sent yet. */
export function askAfter(treatment: Treatment, told: NewEvent): number | undefined {
  if (told.fact.type !== "SensationAnswered") return undefined;
  const seconds = treatment.checkInSeconds[told.fact.value];
  return seconds === undefined ? undefined : Date.parse(told.at) + seconds * 1000;
}

/** What each of the eleven answers would lead to now. */
export function answersNow(treatment: Treatment, now: number): Advice[] {
  return cueAt(treatment, now)?.ifAnswered ?? treatment.ifAnswered;
}

export type Tint = "go" | "hold" | "end";

/** How a key is tinted by the advice that it leads to. */
export function tint(advice: Advice | undefined): Tint {
  switch (advice?.kind) {
    case "END":
    case "END_NOW":
    case "EMERGENCY":
      return "end";
    case "HOLD":
      return "hold";
    default:
      return "go";
  }
}
