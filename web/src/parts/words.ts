import dayjs from "dayjs";
import { ZONES } from "../api/enumWords";

/** The browser's locale; in English the day stands before the month, as the server's words have it. */
export const LOCALE = navigator.language.startsWith("en") ? "en-GB" : navigator.language;

/** "Sat 28 Nov", by the browser's locale. */
export function day(date: string | Date): string {
  const words = new Intl.DateTimeFormat(LOCALE, {
    weekday: "short",
    day: "numeric",
    month: "short",
  }).format(typeof date === "string" ? dayjs(date).toDate() : date);
  return words.replace(",", "");
}

/** "14:06", by the browser's locale, 24 hours. */
export function hour(instant: string | Date): string {
  return new Intl.DateTimeFormat(LOCALE, {
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
  }).format(new Date(instant));
}

/** "2:14", minutes and seconds; a negative span shows as 0:00. */
export function clock(milliseconds: number): string {
  const seconds = Math.max(0, Math.floor(milliseconds / 1000));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** "0:46" left, counting the running second as whole. */
export function left(milliseconds: number): string {
  return clock(Math.ceil(Math.max(0, milliseconds) / 1000) * 1000);
}

/** "2:30" of a duration as it is sent, "PT2M30S". */
export function minutes(duration: string): string {
  const [, hours, mins, secs] = /^PT(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?$/.exec(duration) ?? [];
  return clock(((Number(hours ?? 0) * 60 + Number(mins ?? 0)) * 60 + Number(secs ?? 0)) * 1000);
}

/** Seconds of "2:30"; undefined when it is none. */
export function secondsOf(time: string): number | undefined {
  const [, mins, secs] = /^(\d{1,3}):([0-5]\d)$/.exec(time.trim()) ?? [];
  return mins === undefined ? undefined : Number(mins) * 60 + Number(secs);
}

/** A number with so many decimals, by the browser's locale. */
export function decimal(value: number, digits: number): string {
  return new Intl.NumberFormat(LOCALE, {
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
  }).format(value);
}

/** "12 Nov 2026". */
export function dayOfYear(date: string | Date): string {
  return new Intl.DateTimeFormat(LOCALE, {
    day: "numeric",
    month: "short",
    year: "numeric",
  }).format(typeof date === "string" ? dayjs(date).toDate() : date);
}

/** "Wednesday 25 November". */
export function wholeDay(date: string): string {
  return new Intl.DateTimeFormat(LOCALE, {
    weekday: "long",
    day: "numeric",
    month: "long",
  })
    .format(dayjs(date).toDate())
    .replace(",", "");
}

export function zoneName(zone: keyof typeof ZONES): string {
  return ZONES[zone];
}

export function firstName(name: string): string {
  return name.split(" ")[0] ?? name;
}

export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

export function plural(n: number, thing: string, things = `${thing}s`): string {
  return `${n} ${n === 1 ? thing : things}`;
}
