/** De que parte um frasco. */
import type * as en from "../en/origins";

export const ORIGIN_WORDS: typeof en.ORIGIN_WORDS = {
  flour_and_water: { label: "Farinha e água", hint: "uma massa-mãe nova" },
  dried: { label: "Lascas secas", hint: "ou uma saqueta" },
  frozen: { label: "Uma pitada congelada" },
  asleep: { label: "A dormir no frigorífico", hint: "ou já feito" },
};
