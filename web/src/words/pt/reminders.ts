/** Um lembrete, como está na caixa do correio. */
import type { DiscardSign, Step, WatchedLetter } from "../../api/types";
import { times } from "../../lib/numbers";
import { clock, homeZone, span } from "../../lib/time";
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

const SEEN: Record<WatchedLetter["what"], (jar: string, moment: string, level: string) => string> = {
  doubled: (jar, moment) => `${jar} dobrou às ${moment}.`,
  peak: (jar, moment, level) => `${jar} chegou ao pico às ${moment}, a ${level}.`,
  near_rim: (jar, moment) => `${jar} chegou perto da borda às ${moment}: ponha algo por baixo.`,
};

export const letterName: typeof en.letterName = (one) =>
  one.about === "discard" ? DISCARD_NAMES[one.shelf] : one.jar;

export const reminderLine: typeof en.reminderLine = (one) => {
  if (one.about === "discard") return `${DISCARD_NAMES[one.shelf]} ${DISCARD[one.sign]}`;
  if (one.about === "watched") return SEEN[one.what](one.jar, clock(one.due, homeZone()), times(one.times));
  const { act, jar, late_h: late, harmless } = one;
  const what = `${ACTS[act]} ${jar}.`;
  if (late === 0) return what;
  const means = harmless ? "ainda vai a tempo" : "não faz mal, o plano segue daqui";
  return `${what} Vai ${span(late * 3_600_000)} atrasado; ${means}.`;
};
