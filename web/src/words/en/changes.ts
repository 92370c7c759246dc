/** What moved the plan, or went other than planned, in a sentence. */
import type { Advice, ChangeCode, Flour, PlanChange } from "../../api/types";
import { degrees, grams } from "../../lib/numbers";
import { span, when } from "../../lib/time";
import { ADVICE_NAMES } from "./counsel";
import { FLOUR_WORDS } from "./flours";

type Facts = PlanChange["facts"];
const HOUR = 3_600_000;

const hours = (facts: Facts) => span(Number(facts.hours) * HOUR);
const g = (value: Facts[string] | undefined) => grams(Number(value));

const flours = (facts: Facts) =>
  String(facts.flours)
    .split(", ")
    .map((flour) => FLOUR_WORDS[flour as Flour] ?? flour)
    .join(", ");

const WORDS: Record<ChangeCode, (facts: Facts) => string> = {
  late: (facts) => `Fed ${hours(facts)} late. The next ones catch it up.`,
  early: (facts) => `Fed ${hours(facts)} early. The next keeps its time.`,
  missed: (facts) =>
    `${facts.feeds === 1 ? "One feed was" : `${facts.feeds} feeds were`} missed. Nothing is lost; the rhythm goes on.`,
  extra_feed: (facts) => `Fed again after ${hours(facts)}. It counts as one with the feed before.`,
  skipped: () => "Left out. The plan goes on with the next.",
  left_alone: (facts) => `Left alone for ${hours(facts)}. Nothing is due before.`,
  kept_other: (facts) => `Kept ${g(facts.kept_g)} instead of ${g(facts.planned_g)}.`,
  other_amounts: (facts) =>
    `Went in: ${g(facts.flour_g)} flour and ${g(facts.water_g)} water instead of ${g(facts.planned_flour_g)} and ${g(facts.planned_water_g)}.`,
  half_done: (facts) =>
    `Only part of the meal went in: ${g(facts.flour_short_g)} flour and ${g(facts.water_short_g)} water less. The next feed comes sooner.`,
  other_flour: (facts) => `Another flour went in: ${g(facts.g)} ${flours(facts)}.`,
  sign_early: (facts) => `The sign came ${hours(facts)} sooner than usual.`,
  sign_overdue: (facts) =>
    `The sign is ${hours(facts)} later than usual. It waits on; that is slow, not dead.`,
  stage_longer: () => "This part takes longer than usual. It goes on until its sign is seen.",
  in_the_cold: (facts) =>
    `In the fridge for ${hours(facts)}, which counts little. The next feed waits for it.`,
  moved_into_hours: (facts) => `Moved by ${hours(facts)} into your hours.`,
  no_room_in_hours: () => "Your hours leave no room in the time that is best. It stands as near as it can.",
  moved: (facts) => `It stands at ${degrees(facts.celsius ?? 0)} from then on.`,
  other_jar: (facts) => `It went into another jar, of ${facts.ml} ml.`,
  new_flour: (facts) => `Fed with ${flours(facts)} from then on.`,
  new_rhythm: (facts) => `Fed every ${facts.hours} hours from then on.`,
  new_amount: () => "Fed in other amounts from then on.",
  new_way: () => "It goes another way from then on.",
  new_hours: () => "Your hours changed.",
  bake_planned: (facts) => `A bake of ${g(facts.g)} was planned.`,
  bake_missed: (facts) => `The bake of ${g(facts.g)} was not mixed. What is left goes on by the plan.`,
  used: (facts) => `${g(facts.g)} of it was used.`,
  put_back: (facts) => `${g(facts.g)} went back into it.`,
  advice_taken: (facts) => `You took advice: ${ADVICE_NAMES[facts.advice as Advice] ?? facts.advice}.`,
};

export function changeLine(change: PlanChange, now: string, zone: string): string {
  return `${when(change.at, now, zone)}: ${WORDS[change.code](change.facts)}`;
}
