/** A reminder as it stands in the postbox. */
import type { Posted, Step } from "../../api/types";
import { span } from "../../lib/time";

const ACTS: Record<Step["act"], string> = {
  mix: "Mix",
  feed: "Feed",
  stir: "Stir",
  look: "Look at",
  to_fridge: "Put into the fridge:",
  use: "mix the dough",
  to_counter: "Take out of the fridge:",
};

/** `Feed Moth.` or, late, how late and what that means. */
export function reminderLine({ act, jar, late_h: late, harmless }: Posted): string {
  const what = `${ACTS[act]} ${jar}.`;
  if (late === 0) return what;
  const means = harmless ? "that is still as good" : "no harm done, the plan goes on from here";
  return `${what} It is ${span(late * 3_600_000)} late; ${means}.`;
}
