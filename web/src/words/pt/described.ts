/** Um frasco descrito a toques: que idade tem, há quanto foi alimentado, até onde subiu. */
import type * as en from "../en/described";

export const AGE_WORDS: typeof en.AGE_WORDS = {
  first_day: "primeiro dia",
  early: "dia 2 ou 3",
  middle: "dia 4 a 6",
  old: "uma semana ou mais",
};

export const SINCE_WORDS: typeof en.SINCE_WORDS = {
  short: "há menos de 6 h",
  half: "há 6 a 12 h",
  long: "há mais tempo",
};

export const LEVEL_WORDS: typeof en.LEVEL_WORDS = {
  line: "na marca",
  risen: "subiu",
  doubled: "dobrou ou mais",
  fallen: "subiu e já desceu",
};

export const BEGINNING_WORDS: typeof en.BEGINNING_WORDS = {
  water: "farinha e água",
  sour: "uma cultura ou sumo",
};
