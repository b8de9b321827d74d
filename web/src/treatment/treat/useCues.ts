import { useEffect, useRef } from "react";
import type { Advice, Treatment } from "../../api/types";
import { cueAt } from "../couch/advice";
import { useCuePreference } from "../couch/cuePreference";
import { cueSound } from "../couch/cueSound";
import { speak } from "../couch/speak";

/** How often an advice that waits for an answer is repeated, milliseconds. */
const REPEATS: Partial<Record<NonNullable<Advice["row"]>, number>> = {
  NOT_LOOKED: 5000,
  LIMIT: 3000,
};

/**
 * A tone and a flash as each cue comes. A look that is missing and a limit that is reached repeat
 * and grow louder until they are answered.
 */
export function useCues(
  treatment: Treatment,
  advice: Advice | null,
  now: number,
): "cue" | "limit" | "" {
  const { tone, voice } = useCuePreference();
  const last = useRef<string | undefined>(undefined);
  const repeated = useRef(0);
  const cue = cueAt(treatment, now);
  const since = cue ? now - Date.parse(cue.at) : Infinity;
  const every = advice?.row && REPEATS[advice.row];
  const hard = advice?.row === "LIMIT";
  const beat = every === undefined ? undefined : Math.floor(now / every);

  useEffect(() => {
    if (cue && since < 1500 && cue.at !== last.current) {
      last.current = cue.at;
      if (tone) cueSound(cue.kind === "LIMIT", 0);
      if (voice) speak(cue.advice.line);
    }
  }, [cue, since, tone, voice]);

  useEffect(() => {
    if (beat === undefined) {
      repeated.current = 0;
      return;
    }
    if (tone) cueSound(hard, repeated.current);
    repeated.current += 1;
  }, [beat, hard, tone]);

  if (every !== undefined && now % every < 1000) return hard ? "limit" : "cue";
  return since > 1000 ? "" : cue?.kind === "LIMIT" ? "limit" : "cue";
}
