/** Um lembrete, como está na caixa do correio. */
import type { DiscardSign, Step } from "../../api/types";
import { span } from "../../lib/time";
import type * as en from "../en/reminders";
import { DISCARD_NAMES } from "./discard";

export type { Letter } from "../en/reminders";

const ACTS: Record<Step["act"], string> = {
  mix: "Misturar",
  feed: "Alimentar",
  stir: "Mexer",
  look: "Olhar para",
  to_fridge: "Pôr no frigorífico:",
  use: "Amassar o pão com",
  to_counter: "Tirar do frigorífico:",
};

const DISCARD: Record<DiscardSign, string> = {
  old: "tem mais de uma semana: use o mais antigo nos próximos dias.",
  full: "está cheio: use um pouco, ou esvazie-o.",
  too_old: "tem mais de duas semanas: para o composto, e comece outro.",
  spoiled: "estragou-se: tudo para o lixo, e lave o frasco.",
  doubtful: "recebeu de um frasco que depois se viu estragado.",
  film: "mostra uma película.",
  liquid: "mostra líquido, o que ali é normal.",
};

export const letterName: typeof en.letterName = (one) =>
  one.about === "jar" ? one.jar : DISCARD_NAMES[one.shelf];

export const reminderLine: typeof en.reminderLine = (one) => {
  if (one.about === "discard") return `${DISCARD_NAMES[one.shelf]} ${DISCARD[one.sign]}`;
  const { act, jar, late_h: late, harmless } = one;
  const what = `${ACTS[act]} ${jar}.`;
  if (late === 0) return what;
  const means = harmless ? "ainda vai a tempo" : "não faz mal, o plano segue daqui";
  return `${what} Vai ${span(late * 3_600_000)} atrasado; ${means}.`;
};
