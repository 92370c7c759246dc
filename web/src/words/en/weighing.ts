/** A feed on the scale, in words: each act, what a slip asks for, what is asked about. */
import type { DiscardTo, Flour, Mend, ScaleAct, ScaleStep, Sheet } from "../../api/types";
import { forms } from "../../lib/forms";
import { grams, list, written } from "../../lib/numbers";
import { amountOf, type WeightUnit } from "../../lib/units";
import { asTyped, capital } from "../typed";
import { FLOUR_WORDS } from "./flours";
import { partWords } from "./measure";
import { MOVES_LIKE } from "./tasks";

const ACT_WORDS: Record<ScaleAct, (much: string, step: ScaleStep) => string> = {
  pour_off: () => "Pour off the liquid on top, or stir it in",
  read_ph: () => "Stir it. If you have strips, read its pH",
  empty_jar: () => "Put the empty jar on the scale",
  add_seed: (much) => `Spoon over ${much} of the old jar`,
  add_culture: (much) => `Put in ${much} of the culture`,
  take_out: (much, { add_g: out }) => (out < 0 ? `Stir, then take out about ${much}` : "Nothing to take out"),
  add_water: (much) => `Add ${much} water`,
  add_juice: (much) => `Add ${much} juice`,
  add_flour: (much, { flour }) => `Add ${much} ${flour ? FLOUR_WORDS[flour] : "flour"}`,
  add_salt: (much) => `Add ${much} salt`,
  add_held_back: (much) => `Add of the other ${much} water`,
};

/** What to do, its amount in the unit that the baker reads; by hand a part of the jar goes before its spoons. */
export function actWords(step: ScaleStep, unit: WeightUnit, sheet: Sheet): string {
  const part = step.do === "take_out" && step.add_g < 0 ? partWords(sheet.plan.by_hand?.keep_part) : null;
  if (part) return `Stir, then take out until about ${part} is left`;
  return ACT_WORDS[step.do](amountOf(step, unit, sheet.g_per_oz), step);
}

type UnitChoice = { readonly value: WeightUnit; readonly label: string; readonly hint?: string };
const IN_GRAMS: UnitChoice = { value: "g", label: "grams" };
const OTHER_UNITS: readonly UnitChoice[] = [
  { value: "oz", label: "ounces" },
  { value: "spoons", label: "spoons", hint: "less exact" },
];

/** Who reads in ounces is not asked for grams. */
export function unitChoices(): readonly UnitChoice[] {
  return forms().mass === "g" ? [IN_GRAMS, ...OTHER_UNITS] : OTHER_UNITS;
}

export const STYLE_CHOICES = [
  { value: "in_the_jar", label: "In this jar" },
  { value: "clean_jar", label: "In a clean jar" },
  { value: "keeps_all", label: "Take nothing out" },
] as const;

export const DISCARD_CHOICES = [
  { value: "compost", label: "Compost" },
  { value: "bin", label: "Bin" },
  { value: "jar", label: "Discard jar", hint: "bake it through" },
] as const satisfies readonly { value: DiscardTo; label: string; hint?: string }[];

/** What a step corrects, and what was typed for it. */
type Corrected = { readonly of: "keep" | "water" | "held" } | { readonly of: "flour"; readonly flour: Flour };
type Typed = {
  readonly keep: string;
  readonly water: string;
  readonly flours: Partial<Record<Flour, string>>;
};

/** The label of a field that is left empty when all went as planned. */
export function fieldLabel(field: Corrected, planned: string, flourName: (flour: Flour) => string) {
  const names = { keep: "Kept", water: "Water", held: "Of it went in" };
  const what = field.of === "flour" ? capital(flourName(field.flour)) : names[field.of];
  return { label: `${what}, if not ${planned}` };
}

/** What is so far off the plan that it is asked about. */
export function farOffWords(off: readonly string[], typed: Typed, sheet: Sheet): string {
  const kept = sheet.scale_walk.find(({ corrects }) => corrects === "seed")?.brings_g ?? sheet.plan.keep_g;
  const said = off.map((what) => {
    const flour = sheet.plan.flours.find((part) => part.flour === what);
    if (flour)
      return `${asTyped(typed.flours[flour.flour])} ${FLOUR_WORDS[flour.flour]} instead of ${grams(flour.g)}`;
    return what === "water"
      ? `${asTyped(typed.water)} water instead of ${grams(sheet.plan.water_g)}`
      : `${asTyped(typed.keep)} kept instead of ${grams(kept)}`;
  });
  return `${capital(list(said))}. That is far from the plan; if it is so, it is kept so.`;
}

/** The hint of a step; a first mix keeps nothing that could be loosened. */
export function actHint(step: ScaleStep, sheet: Sheet): string {
  const hand = sheet.plan.by_hand;
  if (step.do === "take_out") return hand ? "What comes out is seen to at the end." : takeOutHint(step);
  if (step.do === "add_held_back") {
    const thick = sheet.until_thickness;
    return `A spoonful at a time, stirring, until it moves like ${thick ? MOVES_LIKE[thick] : "it did before"}. What it does not need stays out.`;
  }
  if (step.do === "empty_jar" && sheet.tare_g === null)
    return "Clean and dry, lid off. Type what it weighs, or press zero on the scale.";
  if (step.do !== "add_water") return ACT_HINTS[step.do];
  if (sheet.plan.flours.length === 0) return "Lukewarm at most. It soaks in it; no flour yet.";
  if (sheet.plan.keep_g === 0) return "Into the clean jar, then the flour onto it.";
  return sheet.scale_walk.some((one) => one.do === "add_culture")
    ? "Over the culture. Stir until it is loose."
    : ACT_HINTS.add_water;
}

/** A ratio of seed, flour and water as it is said: a first mix has no seed, a soak no flour. */
export function ratioWords(ratio: string): string {
  const [seed, flour] = ratio.split(":").map(Number);
  if (flour === 0) return "soaked";
  return seed === 0 ? "first mix" : ratio;
}

/** What began a round of the rise line: `Feed 1:1:1`, `First mix`. */
export function roundWords(ratio: string): string {
  const said = ratioWords(ratio);
  return said === ratio ? `Feed ${ratio}` : capital(said);
}

function takeOutHint({ from_zero: zero }: ScaleStep): string {
  return zero
    ? "Put the jar on the scale and press zero first. Take out until it shows this, with its minus."
    : ACT_HINTS.take_out;
}

const ACT_HINTS: Record<ScaleAct, string> = {
  pour_off: "Pour it off for a milder, thicker jar; stir it in for a sourer one.",
  read_ph: "Without strips, go on.",
  add_held_back: "",
  empty_jar: "Clean and dry, lid off.",
  add_seed: "From the middle of it; the rest goes to compost or bin.",
  add_culture: "Crumble or loosen it.",
  take_out: "Until the scale shows this; what comes out is seen to at the end.",
  add_water: "Loosen what you kept in it.",
  add_juice: "Unsweetened, at room temperature.",
  add_flour: "Stir until no dry flour is left.",
  add_salt: "Stir it in.",
};

/**
 * What a slip asks for. With the flour in, more is added; before it, the flour follows the water. What `overfills` the jar
 * is taken out again, back to what the scale was to show.
 */
export function mendWords(
  mend: Mend,
  flourIsIn: boolean,
  overfills: { readonly backTo: number | null } | null = null,
): string {
  if (mend.worth_it && overfills) {
    const until = overfills.backTo === null ? "" : ` until the scale shows ${grams(overfills.backTo)}`;
    return flourIsIn
      ? `To even that out would overfill this jar. Spoon out what is not stirred in yet${until}; or tip all of it into a bowl and weigh this feed anew.`
      : `To even that out would overfill this jar. Pour water off again${until}.`;
  }
  if (!mend.worth_it) return `${mend.ratio_as_is} as it is. That is close enough; leave it.`;
  const adds = [];
  if (mend.add_water_g > 0) adds.push(`${grams(mend.add_water_g)} ${flourIsIn ? "more " : ""}water`);
  if (mend.add_flour_g > 0) adds.push(`${grams(mend.add_flour_g)} ${flourIsIn ? "more " : ""}flour`);
  const cost = mend.extra_g > 0 ? ` ${grams(mend.extra_g)} more in all than planned.` : "";
  return `${flourIsIn ? "Add" : "Then add"} ${list(adds)} to keep it even.${cost}`;
}

export function roomWords(sheet: Sheet): string | null {
  if (!sheet.room_is_tight) return null;
  return `This jar only has room for ${written(sheet.room_times, 1)} ×. Put a tray under it, or use a bigger jar.`;
}
