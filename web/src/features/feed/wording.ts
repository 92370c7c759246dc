import type { Mend, ScaleAct, ScaleStep, Sheet } from "../../api/types";
import { grams, list } from "../../lib/numbers";
import { FLOUR_WORDS } from "../../words/flours";

const ACT_WORDS: Record<ScaleAct, (step: ScaleStep) => string> = {
  empty_jar: () => "Put the empty jar on the scale",
  add_seed: ({ add_g: add }) => `Spoon over ${grams(add)} of the old jar`,
  add_culture: ({ add_g: add }) => `Put in ${grams(add)} of the culture`,
  take_out: ({ add_g: out }) => (out < 0 ? `Take out about ${grams(-out)}` : "Nothing to take out"),
  add_water: ({ add_g: add }) => `Add ${grams(add)} water`,
  add_juice: ({ add_g: add }) => `Add ${grams(add)} juice`,
  add_flour: ({ add_g: add, flour }) => `Add ${grams(add)} ${flour ? FLOUR_WORDS[flour] : "flour"}`,
  add_salt: ({ add_g: add }) => `Add ${grams(add)} salt`,
};

export function actWords(step: ScaleStep): string {
  return ACT_WORDS[step.do](step);
}

export const ACT_HINTS: Record<ScaleAct, string> = {
  empty_jar: "Clean and dry, lid off.",
  add_seed: "From the middle of it; the rest goes to compost or bin.",
  add_culture: "Crumble or loosen it.",
  take_out: "Compost or bin; not for eating yet.",
  add_water: "Loosen what you kept in it.",
  add_juice: "Unsweetened, at room temperature.",
  add_flour: "Stir until no dry flour is left.",
  add_salt: "Stir it in.",
};

/** What a slip asks for. With the flour in, more is added; before it, the flour follows the water. */
export function mendWords(mend: Mend, flourIsIn: boolean): string {
  if (!mend.worth_it) return `${mend.ratio_as_is} as it is. That is close enough; leave it.`;
  const adds = [];
  if (mend.add_water_g > 0) adds.push(`${grams(mend.add_water_g)} ${flourIsIn ? "more " : ""}water`);
  if (mend.add_flour_g > 0) adds.push(`${grams(mend.add_flour_g)} ${flourIsIn ? "more " : ""}flour`);
  const cost = mend.extra_g > 0 ? ` ${grams(mend.extra_g)} more in all than planned.` : "";
  return `${flourIsIn ? "Add" : "Then add"} ${list(adds)} to keep it even.${cost}`;
}

export function roomWords(sheet: Sheet): string | null {
  if (!sheet.room_is_tight) return null;
  return `This jar only has room for ${sheet.room_times.toFixed(1)} ×. Put a tray under it, or use a bigger jar.`;
}
