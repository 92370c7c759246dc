/** A level as it was given. */
import type { LookBody } from "../api/types";
import { length, millilitres, percent, times } from "../lib/numbers";

export function levelWords(level: NonNullable<LookBody["level"]>): string {
  const words = {
    times: times(level.value),
    percent: `${level.value < 0 ? "" : "+"}${percent(level.value)}`,
    mm: length(level.value),
    ml: millilitres(level.value),
  };
  return words[level.unit];
}
