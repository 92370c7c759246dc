import type { Flour } from "../api/types";
import { grams, list } from "../lib/numbers";

export const FLOUR_WORDS: Record<Flour, string> = {
  rye: "whole rye",
  whole_wheat: "whole wheat",
  high_extraction: "high-extraction wheat",
  white: "white wheat",
  spelt: "spelt",
  einkorn: "einkorn",
  gluten_free: "gluten-free flour",
};

/** `30 g spelt and 10 g whole rye` */
export function flourList(lot: readonly { flour: Flour; g: number }[]): string {
  return list(lot.map((part) => `${grams(part.g)} ${FLOUR_WORDS[part.flour]}`));
}
