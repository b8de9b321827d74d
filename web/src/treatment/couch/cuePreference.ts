import { useSyncExternalStore } from "react";

/** What this device does as a cue comes; kept on it. */
export interface CuePreference {
  tone: boolean;
  /** Reads the advice, and the client's cues, aloud. */
  voice: boolean;
}

const KEY = "ivesk.cues";
const USUAL: CuePreference = { tone: true, voice: false };
const listeners = new Set<() => void>();
let kept: CuePreference | undefined;

function read(): CuePreference {
  if (kept) return kept;
  const stored = window.localStorage.getItem(KEY);
  kept = stored ? { ...USUAL, ...(JSON.parse(stored) as CuePreference) } : USUAL;
  return kept;
}

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function useCuePreference(): CuePreference {
  return useSyncExternalStore(subscribe, read);
}

export function preferCues(next: CuePreference) {
  kept = next;
  try {
    window.localStorage.setItem(KEY, JSON.stringify(next));
  } catch {
    // The device has no room: it holds for this page.
  }
  listeners.forEach((listener) => listener());
}
