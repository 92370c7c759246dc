import type { Bubbles, LevelUnit, LookBody, Smell, Thickness, Top } from "../../api/types";
import { signOf } from "../../lib/forms";
import { degrees, times, written } from "../../lib/numbers";
import { levelWords } from "../levels";

export const BUBBLE_WORDS: Record<Bubbles, string> = {
  none: "none",
  few: "a few",
  throughout: "all through",
  froth: "froth",
};

export const TOP_WORDS: Record<Top, string> = {
  flat: "flat",
  domed: "domed",
  sunken: "sunken",
  liquid: "liquid on top",
  skin: "dry skin",
  white_film: "white film",
  fuzzy_spots: "fuzzy spots",
  coloured_streaks: "coloured streaks",
};

export const TOP_HINTS: Partial<Record<Top, string>> = {
  white_film: "thin, flat, wrinkled",
  fuzzy_spots: "hairy, any colour",
  coloured_streaks: "pink, orange, red",
};

export const SMELL_WORDS: Record<Smell, string> = {
  floury: "floury",
  cheesy: "cheese, socks",
  yoghurt: "yoghurt",
  fruity: "apple, fruit",
  beery: "beer, yeast",
  sharp: "sharp, vinegar",
  nail_varnish: "nail varnish",
  putrid: "rotten",
};

export const THICKNESS_WORDS: Record<Thickness, string> = {
  runny: "runny",
  thin_batter: "thin batter",
  thick_batter: "thick batter",
  toothpaste: "toothpaste",
  soft_dough: "soft dough",
  putty: "putty",
};

export const UNIT_NAMES: Record<LevelUnit, string> = {
  times: "×",
  percent: "+ %",
  get mm() {
    return signOf("mm");
  },
  ml: "ml",
};

/** A look in one line. `readAs` is the level as a multiple of the line where the core could tell. */
export function lookLine(look: LookBody, readAs: number | null): string {
  const parts = [];
  if (look.level) {
    const given = levelWords(look.level);
    parts.push(look.level.unit === "times" || readAs === null ? given : `${times(readAs)} (${given})`);
  }
  if (look.bubbles)
    parts.push(look.bubbles === "none" ? "no bubbles" : `bubbles: ${BUBBLE_WORDS[look.bubbles]}`);
  if (look.top.length) parts.push(look.top.map((top) => TOP_WORDS[top]).join(", "));
  if (look.smell.length) parts.push(`smells of ${look.smell.map((smell) => SMELL_WORDS[smell]).join(", ")}`);
  if (look.thickness) parts.push(THICKNESS_WORDS[look.thickness]);
  if (look.high) parts.push(`high mark ${levelWords(look.high)}`);
  if (look.celsius != null) parts.push(degrees(look.celsius));
  if (look.ph != null) parts.push(`pH ${written(look.ph)}`);
  if (look.floats != null) parts.push(look.floats ? "floats" : "sinks");
  return parts.join(" · ");
}
