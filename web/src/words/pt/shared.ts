/** O que um amigo lê de um frasco que lhe é mostrado. */
import type * as en from "../en/shared";
import type { Spoken } from "../spoken";

export const sharedText: Spoken<typeof en.sharedText> = {
  aJar: "Um frasco",
  lookingAtIt: "A olhar para o frasco",
  shownNoMore: "Este frasco não se mostra aqui, ou já deixou de se mostrar.",
  madeWith: (name) => `Tratado com o ${name}. Esta página só mostra; aqui nada dele se pode mudar.`,
  onDay: (day) => (day > 0 ? `Dia ${day}` : "Ainda por misturar"),
  itIsReady: "Está pronto para o pão.",
  fed: (at) => `Alimentado ${at}.`,
};
