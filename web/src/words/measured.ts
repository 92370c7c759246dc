/** Weights as they are said, and beside spoons. */
import { grams } from "../lib/numbers";
import { spoons } from "../lib/units";

export type Spoons = Parameters<typeof spoons>[0];

/** `2 tbsp (16 g)`, or `16 g` where nothing is said in spoons. */
export function measure(g: number, by: Spoons = []): string {
  // Beside spoons tenths of a gram would be more than anybody knows.
  return by.length > 0 ? `${spoons(by)} (${grams(roughly(g))})` : grams(g);
}

/** Grams as they are said beside spoons. */
export function roughly(g: number): number {
  return g >= 3 ? Math.round(g) : g;
}
