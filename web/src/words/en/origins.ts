/** What a jar begins with. Apart from the ways, since the empty shelf asks for it. */
import type { Origin } from "../../api/types";

type Named = { readonly label: string; readonly hint?: string };

export const ORIGIN_WORDS: Record<Origin, Named> = {
  flour_and_water: { label: "Flour and water", hint: "a new starter" },
  dried: { label: "Dried flakes", hint: "or a sachet" },
  frozen: { label: "A frozen pinch" },
  asleep: { label: "Asleep in the fridge", hint: "or finished already" },
};
