import type { Sheet } from "../api/types";

/** A sheet that is being written, kept on this device until it is kept or dropped. */
export interface Draft {
  sheet: Sheet;
  /** The version that was looked at; 0 for a new one. */
  over: number;
}

const place = (id: string) => `ivesk.protocol.${id}`;

export function keepDraft(id: string, draft: Draft): boolean {
  try {
    localStorage.setItem(place(id), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export function draftOf(id: string): Draft | undefined {
  const kept = localStorage.getItem(place(id));
  if (!kept) return undefined;
  try {
    return JSON.parse(kept) as Draft;
  } catch {
    return undefined;
  }
}

export function dropDraft(id: string) {
  localStorage.removeItem(place(id));
}
