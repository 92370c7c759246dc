/** Do que um passo está à espera, em palavras. */

import type { SightCode } from "../../api/types";
import { either } from "../../lib/numbers";
import type * as en from "../en/sights";

const SIGHT_WORDS: Record<SightCode, (times: number | null) => string> = {
  bubbles: () => "mostrar bolhas",
  bubbles_throughout: () => "tiver bolhas por todo o lado",
  froth: () => "fizer espuma",
  risen: (times) => `tiver subido a ${times ?? 2} ×`,
  below_high_mark: () => "tiver descido abaixo da marca mais alta",
  risen_and_fallen: () => "tiver subido e começar a descer",
  runny: () => "escorrer ao inclinar",
  in_a_row: () => "tiver subido assim três vezes seguidas",
};

/** `escorrer ao inclinar ou tiver descido abaixo da marca mais alta`, depois de "quando". */
export const sightWords: typeof en.sightWords = (waits) =>
  either(waits.map((one) => SIGHT_WORDS[one.sight](one.times)));
