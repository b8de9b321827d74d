import type { Visit } from "../api/types";
import { clock } from "./words";

type Running = NonNullable<Visit["running"]>;

const HOUR = 3_600_000;

/** The limit is reached or passed. */
export function overLimit({ limitAt }: Running, now: number): boolean {
  return limitAt !== undefined && now >= Date.parse(limitAt);
}

/** Open for over an hour past its limit: nobody stands beside it any more. */
export function leftOpen({ limitAt }: Running, now: number): boolean {
  return limitAt !== undefined && now - Date.parse(limitAt) > HOUR;
}

/** The time since the first touch; in hours where it was left open; nothing before the touch. */
export function sinceTouch(running: Running, now: number): string {
  if (!running.elapsed) return "";
  const passed = now - Date.parse(running.elapsed);
  return leftOpen(running, now) ? `${Math.floor(passed / HOUR)} h` : clock(passed);
}

/** The one thing to do, past the limit; empty before it. */
export function pastLimit(running: Running, now: number): string {
  if (leftOpen(running, now)) return "Left open: enter END and sign the record";
  return overLimit(running, now) ? "End now" : "";
}
