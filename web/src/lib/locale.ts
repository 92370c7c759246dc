/** How the language that is spoken writes dates, spans, numbers and lists: its forms in one place. */

import { forms } from "./forms";
import { LOCALE } from "./locales/en";

export { fromTo, LANGUAGE, LOCALE, NEAR_DAYS, SPANS, SPOON_SIGNS } from "./locales/en";

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

/** Between a number and its unit no line breaks. */
export const JOIN = "\u00a0";

/** A number as it is written; with so many decimals, where they are to stand whatever they are. */
export function written(value: number, decimals?: number): string {
  const text = decimals === undefined ? String(value) : value.toFixed(decimals);
  return forms().decimal === "comma" ? text.replace(".", ",") : text;
}

/** A number as it may be typed, brought to the form that `Number` reads: a decimal comma will do. */
export function plainNumber(text: string): string {
  return text.trim().replace(",", ".");
}

// Made once; marked as pure, so that words which no page needs first can stay out of the first script.
const AND = /* @__PURE__ */ new Intl.ListFormat(LOCALE, { type: "conjunction" });
const OR = /* @__PURE__ */ new Intl.ListFormat(LOCALE, { type: "disjunction" });

/** `a, b and c` */
export function list(words: readonly string[]): string {
  return AND.format(words);
}

/** `a, b or c` */
export function either(words: readonly string[]): string {
  return OR.format(words);
}

const PLURALS = /* @__PURE__ */ new Intl.PluralRules(LOCALE);

/** `one` of one, `many` of none, two and more, by the rules of the language. */
export function counted(count: number, one: string, many: string): string {
  return PLURALS.select(count) === "one" ? one : many;
}
