import dayjs from "dayjs";
import timezone from "dayjs/plugin/timezone";
import utc from "dayjs/plugin/utc";
import { COMFORTS, REGIONS, ZONES } from "../api/enumWords";
import type { Comfort } from "../api/types";

dayjs.extend(utc);
dayjs.extend(timezone);

/** The reader's locale, in which dates and decimals stand, the server's words too; of all English
    the British, and digits are always 0 to 9. */
export const LOCALE = navigator.language.startsWith("en")
  ? "en-GB"
  : `${navigator.language}-u-nu-latn`;

/** The practice's time zone: an hour is the hour there, wherever it is read. */
let zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

export function practiceIsIn(itsZone: string) {
  zone = itsZone;
}

/** A day, or an hour without a zone, is that of the practice as it stands. */
function said(moment: string | Date, how: Intl.DateTimeFormatOptions): string {
  const asItStands = typeof moment === "string" && !/T.*(Z|[+-]\d\d:?\d\d)$/.test(moment);
  return new Intl.DateTimeFormat(LOCALE, { ...how, timeZone: asItStands ? "UTC" : zone }).format(
    asItStands ? dayjs.utc(moment).toDate() : new Date(moment),
  );
}

/** "Sat 28 Nov", by the reader's locale. */
export function day(date: string | Date): string {
  return said(date, { weekday: "short", day: "numeric", month: "short" }).replace(",", "");
}

/** "14:06", 24 hours. */
export function hour(instant: string | Date): string {
  return said(instant, { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
}

/** "14:06:31", 24 hours. */
export function second(instant: string | Date): string {
  return said(instant, {
    hour: "2-digit",
    minute: "2-digit",
    second: "2-digit",
    hourCycle: "h23",
  });
}

/** "2026-11-25T14:00" at the practice, as a field for day and hour has it. */
export function atPractice(instant: string | Date | undefined): string {
  return dayjs(instant).tz(zone).format("YYYY-MM-DDTHH:mm");
}

/** The instant of a day and hour at the practice. */
export function instantOf(dayAndHour: string): string {
  return dayjs.tz(dayAndHour, zone).toISOString();
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
  return said(date, { day: "numeric", month: "short", year: "numeric" });
}

/** "30 Nov". */
export function dayOfMonth(date: Date): string {
  return said(date, { day: "numeric", month: "short" });
}

/** "Nov", the month of a day. */
export function monthOf(date: Date): string {
  return said(date, { month: "short" });
}

/** "Wednesday 25 November". */
export function wholeDay(date: string): string {
  return said(date, { weekday: "long", day: "numeric", month: "long" }).replace(",", "");
}

/** "neck and decolletage". */
export function regionName(region: keyof typeof REGIONS): string {
  return REGIONS[region];
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

/** All that the couch must respect, in words. */
export function respected(client: { comforts: Comfort[]; comfort: string }): string {
  return [...client.comforts.map((one) => COMFORTS[one]), client.comfort]
    .filter(Boolean)
    .join(", ");
}
