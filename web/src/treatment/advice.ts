import type { Advice, Cue, NewEvent, Treatment } from "../api/types";

/** The cue whose time has come last; none before the first. */
export function cueAt(treatment: Treatment, now: number): Cue | undefined {
  return treatment.cues.findLast((cue) => Date.parse(cue.at) <= now);
}

/** Words for when the server is away and more was said than it had judged beforehand. */
export const NO_ADVICE: Pick<Advice, "line" | "reason"> = {
  line: "No advice without the server",
  reason: "Limit and clocks hold. END works. What you enter is kept and sent when it is back.",
};

/**
 * The advice that holds now: what the server gave, moved on by its own cues; after one answer that
 * it does not know yet, what it said would follow from that answer; beyond that none.
 */
export function adviceNow(treatment: Treatment, unsent: NewEvent[], now: number): Advice | null {
  const cue = cueAt(treatment, now);
  const standing = cue?.advice ?? treatment.advice;
  const telling = unsent.filter(
    ({ fact }) => fact.type !== "NoteWritten" && fact.type !== "FanTurned",
  );
  if (telling.length === 0 || standing.kind === "END_NOW") return standing;
  const [first] = telling;
  if (telling.length === 1 && first?.fact.type === "SensationAnswered") {
    return answersNow(treatment, now)[first.fact.value] ?? null;
  }
  return null;
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
