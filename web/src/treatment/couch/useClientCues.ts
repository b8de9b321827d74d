import { useEffect, useRef } from "react";
import { CLIENT_CUES } from "../../api/enumWords";
import type { ClientCue, Treatment } from "../../api/types";
import { useCuePreference } from "./cuePreference";
import { speak } from "./speak";

/** How late a cue may still be said, milliseconds. */
const LATE = 4000;

/** Says each cue for the client once, as its time comes. */
export function useClientCues(
  cues: ClientCue[],
  now: number,
  say: ((said: ClientCue["said"]) => void) | undefined,
) {
  const last = useRef("");
  const due = cues.findLast(({ at }) => Date.parse(at) <= now);
  const key = due && now - Date.parse(due.at) < LATE ? `${due.at} ${due.said}` : "";
  useEffect(() => {
    if (!key || key === last.current) return;
    last.current = key;
    say?.(key.split(" ")[1] as ClientCue["said"]);
  }, [key, say]);
}

const sayAloud = (said: ClientCue["said"]) => speak(CLIENT_CUES[said]);

/** On the couch, where its voice is on. */
export function useSpokenCues(treatment: Treatment, now: number) {
  const { voice } = useCuePreference();
  useClientCues(treatment.clientCues, now, voice ? sayAloud : undefined);
}
