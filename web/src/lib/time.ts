/** Moments in words, in the baker's time zone. Moments are ISO 8601 strings with an offset, as the server sends them. */
import {
  type CalendarDate,
  fromAbsolute,
  parseDateTime,
  Time,
  toCalendarDate,
  toCalendarDateTime,
  toZoned,
} from "@internationalized/date";
import { clockForm, DATE, LOCALE, NEAR_DAYS, SHORT_DATE, SPANS, WEEKDAY } from "./locale";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

function format(zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  return new Intl.DateTimeFormat(LOCALE, { timeZone: zone, ...options });
}

/** `14:55` */
export function clock(at: string | number, zone: string): string {
  return format(zone, clockForm()).format(new Date(at));
}

/** An hour of the wall, `07:00`, as the baker reads it. */
export function hourWords(hour: string): string {
  return clock(`2026-01-01T${hour}Z`, "UTC");
}

function dayOf(at: string | number, zone: string): CalendarDate {
  return toCalendarDate(fromAbsolute(new Date(at).getTime(), zone));
}

/** `today`, `tomorrow`, `yesterday`, `Friday` within six days, else `Fri 13 Nov`. */
export function dayWord(at: string | number, now: string | number, zone: string): string {
  const days = dayOf(at, zone).compare(dayOf(now, zone));
  const word = NEAR_DAYS[days];
  if (word) return word;
  if (days > 0 && days < 7) return format(zone, WEEKDAY).format(new Date(at));
  return dateWords(at, zone);
}

/** `today 14:55`, `tomorrow 06:55`. */
export function when(at: string | number, now: string | number, zone: string): string {
  return `${dayWord(at, now, zone)} ${clock(at, zone)}`;
}

/** `3 days`, `2.5 days`. */
export function dayCount(days: number): string {
  return days.toLocaleString(LOCALE, { style: "unit", unit: "day", unitDisplay: "long" });
}

/** `9 h 5 min`, `40 min`, `2 days`. */
export function span(milliseconds: number): string {
  const minutes = Math.round(Math.abs(milliseconds) / MINUTE);
  if (minutes < 60) return SPANS.minutes(minutes);
  const hours = Math.floor(minutes / 60);
  if (hours >= 48) return SPANS.days(Math.round(hours / 24));
  const rest = minutes % 60;
  return rest && hours < 12 ? SPANS.hoursAndMinutes(hours, rest) : SPANS.hours(Math.round(minutes / 60));
}

/** The local date and time as a datetime field holds it: `2026-11-24T14:55`. */
export function toField(at: string | number, zone: string): string {
  return fromAbsolute(new Date(at).getTime(), zone).toString().slice(0, 16);
}

/** A datetime field's value as a moment; null for a value that is none. In the hour that comes twice, the first. */
export function fromField(value: string, zone: string): string | null {
  try {
    return toZoned(parseDateTime(value), zone, "earlier").toDate().toISOString();
  } catch {
    return null;
  }
}

/** Seven in the morning of the next day. */
export function nextMorning(now: number, zone: string): string {
  const day = dayOf(now, zone).add({ days: 1 });
  return toZoned(toCalendarDateTime(day, new Time(7)), zone)
    .toDate()
    .toISOString();
}

/** Half past ten of the evening before. */
export function lastNight(now: number, zone: string): string {
  const day = dayOf(now, zone).subtract({ days: 1 });
  return toZoned(toCalendarDateTime(day, new Time(22, 30)), zone)
    .toDate()
    .toISOString();
}

/** The next days from today on, as a date field has them. */
export function daysAhead(now: number, zone: string, count: number): string[] {
  const today = dayOf(now, zone);
  return Array.from({ length: count }, (_, days) => today.add({ days }).toString());
}

/** Local midnights from the day of `from` to the day after `to`, as moments. */
export function midnights(from: number, to: number, zone: string): number[] {
  const found: number[] = [];
  const last = dayOf(to, zone).add({ days: 1 });
  for (let day = dayOf(from, zone); day.compare(last) <= 0; day = day.add({ days: 1 })) {
    found.push(day.toDate(zone).getTime());
  }
  return found;
}

/** The night that begins on the evening before a local midnight: from 22:00 to 06:00. */
export function nightAround(midnight: number): [number, number] {
  return [midnight - 2 * HOUR, midnight + 6 * HOUR];
}

export function weekdayAndDate(at: number, zone: string): string {
  return format(zone, SHORT_DATE).format(new Date(at));
}

/** `Fri 13 Nov` */
export function dateWords(at: string | number, zone: string): string {
  return format(zone, DATE).format(new Date(at));
}

/** The zone this device keeps. */
export function deviceZone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC";
}

let home: string | null = null;

/** From now on times are told in this zone, wherever the device is. */
export function liveIn(zone: string | null): void {
  home = zone;
}

/** The zone that the baker's account lives in; the device's, where nobody is signed in. */
export function homeZone(): string {
  return home ?? deviceZone();
}
