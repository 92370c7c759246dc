/** As teclas de um portátil, pelo que fazem. */
import type * as en from "../en/keys";

export type { KeyAct } from "../en/keys";

export const KEY_WORDS: typeof en.KEY_WORDS = {
  look: "Observar o frasco",
  feed: "Alimentar",
  next_jar: "O frasco seguinte na prateleira",
  plan: "O plano",
  quick: "Uma observação ou um refresco numa linha",
  undo: "Desfazer o último do diário",
  kitchen: "A cozinha",
  new_jar: "Um frasco novo",
  signs: "O que mostra?",
  list: "Estas teclas",
};
