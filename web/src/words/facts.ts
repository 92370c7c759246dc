/** Facts of a refusal as they are read: moments, and bounds in the unit of their field. */
import type { Problem } from "../api/types";
import { nowMs } from "../lib/clock";
import { degrees, grams, length } from "../lib/numbers";
import { clock, dayWord, homeZone } from "../lib/time";

export type Facts = Problem["facts"];

export function moment(facts: Facts, name: string): string {
  const at = facts[name];
  if (typeof at !== "string") return "";
  return `${dayWord(at, nowMs(), homeZone())} ${clock(at, homeZone())}`;
}

/** A bound in the unit that its field is typed in. */
export function bound(value: string | number, field: string): string {
  if (/(^|[._])g$/.test(field)) return grams(Number(value));
  if (/(_c|celsius|temp)$/.test(field)) return degrees(value);
  return /_mm$/.test(field) ? length(value) : String(value);
}
