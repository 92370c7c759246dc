/** When something happened, as a baker says it: now, a while ago, or at a time. */
import { fromField, lastNight } from "./time";

export type When = { readonly said: "now" | "20" | "60" | "night" | "other"; readonly field: string };

export const NOW: When = { said: "now", field: "" };

/** The moment meant; an unreadable field is sent as typed, for the server to name. */
export function momentOf(when: When, now: number, zone: string): string {
  if (when.said === "other") return fromField(when.field, zone) ?? when.field;
  if (when.said === "night") return lastNight(now, zone);
  const minutes = when.said === "now" ? 0 : Number(when.said);
  return new Date(now - minutes * 60_000).toISOString();
}
