import { useEffect, useRef } from "react";
import type { Treatment } from "../../api/types";
import { cueAt } from "../advice";
import { cueSound } from "../cueSound";

/** A tone and a flash as each cue comes, once. */
export function useCues(treatment: Treatment, now: number): "cue" | "limit" | "" {
  const last = useRef<string | undefined>(undefined);
  const cue = cueAt(treatment, now);
  const since = cue ? now - Date.parse(cue.at) : Infinity;
  useEffect(() => {
    if (cue && since < 1500 && cue.at !== last.current) {
      last.current = cue.at;
      cueSound(cue.kind === "LIMIT");
    }
  }, [cue, since]);
  return since > 1000 ? "" : cue?.kind === "LIMIT" ? "limit" : "cue";
}
