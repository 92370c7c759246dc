/** What a step asks for, task by task; amounts as the method says them, grams beside. */
import type { DeedKind, Doing, Measured, Step, Task, Thickness, Unit } from "../../api/types";
import { grams } from "../../lib/numbers";
import { quarters } from "../../lib/units";
import { measure } from "../measured";
import { FLOUR_WORDS } from "./flours";
import { partWords } from "./measure";

/** What was done beside feeding. */
export const DEED_WORDS: Record<DeedKind, string> = {
  stirred: "Stirred",
  skipped: "Left out",
  to_fridge: "Into the fridge",
  to_counter: "Out of the fridge",
  spare_set_aside: "Spare set aside",
  let_go: "Let go",
  sweetened: "Sugar, honey or fruit added",
  yeast_added: "Baker's yeast added",
};

const UNIT_WORDS: Record<Unit, readonly [string, string]> = {
  g: ["g", "g"],
  oz: ["oz", "oz"],
  ml: ["ml", "ml"],
  tsp: ["teaspoon", "teaspoons"],
  tbsp: ["tablespoon", "tablespoons"],
  cup: ["cup", "cups"],
};

function measuredWords({ value, unit }: Measured): string {
  return `${quarters(Number(value.toFixed(2)))} ${UNIT_WORDS[unit][value > 1 ? 1 : 0]}`;
}

/** `2 tablespoons (30 g)`, `30 g` */
export function amount(doing: Pick<Doing, "g" | "measured" | "spoons">): string {
  if (doing.spoons && doing.spoons.length > 0) return measure(doing.g ?? 0, doing.spoons);
  const weight = grams(doing.g ?? 0);
  return doing.measured ? `${measuredWords(doing.measured)} (${weight})` : weight;
}

/** What it is to move like. */
export const MOVES_LIKE: Record<Thickness, string> = {
  runny: "cream",
  thin_batter: "a thin batter",
  thick_batter: "a thick batter",
  toothpaste: "toothpaste",
  soft_dough: "a soft dough",
  putty: "putty",
};

const TASK_WORDS: Record<Task, (doing: Doing) => string> = {
  pour_off: () => "pour off the liquid on top",
  keep_all: () => "keep all of it",
  keep: (doing) =>
    partWords(doing.part) ? `keep about ${partWords(doing.part)} of it` : `keep ${amount(doing)}`,
  take_out: (doing) => `take out ${amount(doing)}`,
  clean_jar: () => "go over to a clean jar",
  put_in: (doing) => `put in ${amount(doing)} of the culture`,
  add_water: (doing) => `add ${amount(doing)} water`,
  add_juice: (doing) => `add ${amount(doing)} juice`,
  add_flour: (doing) => `add ${amount(doing)} ${doing.flour ? FLOUR_WORDS[doing.flour] : "flour"}`,
  add_salt: (doing) => `add ${amount(doing)} salt`,
  hold_back: (doing) =>
    `hold back about ${amount(doing)} of the water; add of it until it moves like ${doing.until_thickness ? MOVES_LIKE[doing.until_thickness] : "before"}`,
  stir: () => "stir",
  to_fridge: () => "put it in the fridge",
  to_counter: () => "take it out of the fridge",
  measure_height: () => "measure its height",
  read_ph: () => "read its pH, if you have strips",
  weigh_reference: () => "weigh jar and mix, and note it",
  float_test: () => "try a spoonful on water; floating supports, sinking says little",
  side_by_side: () => "try two ratios side by side",
  take_for_dough: (doing) => `take ${amount(doing)} for the dough`,
};

/** The tasks of a step in one line: `keep 30 g, add 30 g water, add 30 g spelt`. */
export function taskLine(doings: readonly Doing[]): string {
  const line = doings.map((doing) => TASK_WORDS[doing.do](doing)).join(", ");
  return line.charAt(0).toUpperCase() + line.slice(1);
}

export const ACT_WORDS: Record<Step["act"], string> = {
  mix: "First mix",
  feed: "Feed",
  stir: "Stir",
  look: "Look",
  to_fridge: "Into the fridge",
  to_counter: "Out of the fridge",
  use: "Mix the dough",
};
