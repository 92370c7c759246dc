import { signOf } from "../../lib/forms";
import { degrees, times, written } from "../../lib/numbers";
import type * as en from "../en/looks";
import { levelWords } from "../levels";

export const BUBBLE_WORDS: typeof en.BUBBLE_WORDS = {
  none: "nenhumas",
  few: "algumas",
  throughout: "por todo o lado",
  froth: "espuma",
};

export const TOP_WORDS: typeof en.TOP_WORDS = {
  flat: "plano",
  domed: "em cúpula",
  sunken: "afundado",
  liquid: "líquido por cima",
  skin: "pele seca",
  white_film: "película branca",
  fuzzy_spots: "manchas felpudas",
  coloured_streaks: "riscos de cor",
};

export const TOP_HINTS: typeof en.TOP_HINTS = {
  white_film: "fina, lisa, enrugada",
  fuzzy_spots: "com pelos, de qualquer cor",
  coloured_streaks: "rosa, laranja, vermelho",
};

export const SMELL_WORDS: typeof en.SMELL_WORDS = {
  floury: "farinha",
  cheesy: "queijo, meias",
  yoghurt: "iogurte",
  fruity: "maçã, fruta",
  beery: "cerveja, levedura",
  sharp: "vinagre, azedo forte",
  nail_varnish: "verniz das unhas",
  putrid: "podre",
};

export const THICKNESS_WORDS: typeof en.THICKNESS_WORDS = {
  runny: "líquida",
  thin_batter: "polme ralo",
  thick_batter: "polme espesso",
  toothpaste: "pasta de dentes",
  soft_dough: "massa mole",
  putty: "massa firme",
};

export const UNIT_NAMES: typeof en.UNIT_NAMES = {
  times: "×",
  percent: "+ %",
  get mm() {
    return signOf("mm");
  },
  ml: "ml",
};

export const lookLine: typeof en.lookLine = (look, readAs) => {
  const parts = [];
  if (look.level) {
    const given = levelWords(look.level);
    parts.push(look.level.unit === "times" || readAs === null ? given : `${times(readAs)} (${given})`);
  }
  if (look.bubbles)
    parts.push(look.bubbles === "none" ? "sem bolhas" : `bolhas: ${BUBBLE_WORDS[look.bubbles]}`);
  if (look.top.length) parts.push(look.top.map((top) => TOP_WORDS[top]).join(", "));
  if (look.smell.length) parts.push(`cheira a ${look.smell.map((smell) => SMELL_WORDS[smell]).join(", ")}`);
  if (look.thickness) parts.push(THICKNESS_WORDS[look.thickness]);
  if (look.high) parts.push(`marca mais alta ${levelWords(look.high)}`);
  if (look.celsius != null) parts.push(degrees(look.celsius));
  if (look.ph != null) parts.push(`pH ${written(look.ph)}`);
  if (look.floats != null) parts.push(look.floats ? "flutua" : "afunda");
  return parts.join(" · ");
};
