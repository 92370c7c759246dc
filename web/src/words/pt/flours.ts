import type { Flour } from "../../api/types";
import { counted, grams, list, written } from "../../lib/numbers";
import type * as en from "../en/flours";

export const FLOUR_WORDS: typeof en.FLOUR_WORDS = {
  rye: "centeio integral",
  whole_wheat: "trigo integral",
  high_extraction: "trigo semi-integral",
  white: "trigo branco",
  spelt: "espelta",
  einkorn: "trigo einkorn",
  gluten_free: "farinha sem glúten",
};

/** `30 g de espelta e 10 g de centeio integral` */
export const flourList: typeof en.flourList = (lot) =>
  list(lot.map((part) => `${grams(part.g)} de ${FLOUR_WORDS[part.flour]}`));

/** `centeio integral`, `2 partes de espelta e 1 parte de centeio integral` */
export const blendWords: typeof en.blendWords = (blend) => {
  const parts = Object.entries(blend) as [Flour, number][];
  if (parts.length < 2) return parts.map(([flour]) => FLOUR_WORDS[flour]).join("");
  const least = Math.min(...parts.map(([, part]) => part));
  return list(
    parts.map(([flour, part]) => {
      const times = Number((part / least).toFixed(1));
      return `${written(times)} ${counted(times, "parte", "partes")} de ${FLOUR_WORDS[flour]}`;
    }),
  );
};
