/** How the language that is spoken writes dates, spans, numbers and lists: its forms in one place. */

import { forms } from "./forms";

export const LOCALE = "en-GB";

/** Days near today. */
export const NEAR_DAYS: Record<number, string> = { 0: "today", 1: "tomorrow", [-1]: "yesterday" };

const CLOCKS: Record<"h24" | "h12", Intl.DateTimeFormatOptions> = {
  h24: { hour: "2-digit", minute: "2-digit", hourCycle: "h23" },
  h12: { hour: "numeric", minute: "2-digit", hour12: true },
};

/** The hour as the baker reads it. */
export function clockForm(): Intl.DateTimeFormatOptions {
  return CLOCKS[forms().clock];
}

export const WEEKDAY: Intl.DateTimeFormatOptions = { weekday: "long" };
export const DATE: Intl.DateTimeFormatOptions = { weekday: "short", day: "numeric", month: "short" };
export const SHORT_DATE: Intl.DateTimeFormatOptions = { weekday: "short", day: "numeric" };

export const SPANS = {
  minutes: (minutes: number) => `${minutes} min`,
  hours: (hours: number) => `${hours} h`,
  hoursAndMinutes: (hours: number, minutes: number) => `${hours} h ${minutes} min`,
  days: (days: number) => `${days} days`,
};

/** Between a number and its unit no line breaks. */
export const JOIN = "\u00a0";

/** A number as it is written. */
export function written(value: number): string {
  const text = String(value);
  return forms().decimal === "comma" ? text.replace(".", ",") : text;
}

/** A number as it may be typed, brought to the form that `Number` reads: a decimal comma will do. */
export function plainNumber(text: string): string {
  return text.trim().replace(",", ".");
}

/** `a, b and c` */
export function list(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`;
}
