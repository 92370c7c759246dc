import type { Flour } from "../../api/types";
import { grams, list } from "../../lib/numbers";

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

/** `whole rye`, `2 parts spelt and 1 part whole rye` */
export function blendWords(blend: Partial<Record<Flour, number>>): string {
  const parts = Object.entries(blend) as [Flour, number][];
  if (parts.length < 2) return parts.map(([flour]) => FLOUR_WORDS[flour]).join("");
  const least = Math.min(...parts.map(([, part]) => part));
  return list(
    parts.map(([flour, part]) => {
      const times = Number((part / least).toFixed(1));
      return `${times} part${times === 1 ? "" : "s"} ${FLOUR_WORDS[flour]}`;
    }),
  );
}
