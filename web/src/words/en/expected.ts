/** What a file or a field expected, and what is wrong with a method: codes told in words. */
import type { Flour } from "../../api/types";
import { list } from "../../lib/numbers";
import { FLOUR_WORDS } from "./flours";

type Fact = string | number | boolean | null | undefined;

/** What is there to be chosen from: `whole rye, spelt and white wheat`. */
export function knownWords(known: Fact): string {
  return list(
    String(known ?? "")
      .split(", ")
      .map((one) => FLOUR_WORDS[one as Flour] ?? one.replaceAll("_", " ")),
  );
}

const BREACHES: Record<string, string> = {
  no_phase: "it has no phase",
  too_long: "it is too long",
  double_name: "a name stands twice",
  unknown_option: "it speaks of an option that it has not",
  bad_default: "a default does not fit",
  nothing_first: "nothing goes in at the beginning",
  unreachable: "a phase is never reached",
  unknown_phase: "it speaks of a phase that it has not",
  no_latest_time: "a wait has no end",
  wait_out_of_order: "a wait ends before it begins",
  turns_out_of_order: "its turns are out of order",
  sight_too_deep: "a sight stands too deep within others",
  keeps_without_feeding: "it keeps without feeding",
  twice_in_one_step: "one step does the same twice",
  never_settles: "it never comes to repeat itself",
  overflows: "it runs over",
  raised_in_the_fridge: "it raises in the fridge",
  expect_has_a_gap: "on some days it does not say what is normal",
  cannot_be_weighed: "it asks for a weight that no scale shows",
};

export function breachWords(breach: Fact): string {
  return BREACHES[String(breach)] ?? "it is not sound";
}

/** What was expected, as it is said; names that stand in a file stay as they stand there. */
export function expectedWords(expected: Fact): string {
  return String(expected ?? "").replaceAll("_", " ");
}
