/** What a step waits for, in words. */
import type { SightCode, WaitsFor } from "../../api/types";
import { list } from "../../lib/numbers";

const SIGHT_WORDS: Record<SightCode, (times: number | null) => string> = {
  bubbles: () => "it shows bubbles",
  bubbles_throughout: () => "there are bubbles all through",
  froth: () => "it froths",
  risen: (times) => `it has risen to ${times ?? 2} ×`,
  below_high_mark: () => "it has sunk below its high mark",
  risen_and_fallen: () => "it has risen and begins to fall",
  runny: () => "it runs when tipped",
  in_a_row: () => "it has risen so three times in a row",
};

/** `it runs when tipped or it has sunk below its high mark` */
export function sightWords(waits: readonly WaitsFor[]): string {
  return list(waits.map((one) => SIGHT_WORDS[one.sight](one.times))).replaceAll(" and it ", " or it ");
}
