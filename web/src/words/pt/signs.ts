/** O que se diz no lugar dos sinais. */
import type * as en from "../en/signs";
import type { Spoken } from "../spoken";

export const signsText: Spoken<typeof en.signsText> = {
  holdItAgainstThese: "Compare com estes",
  closeUpFilmOrMould: "De perto: película ou bolor?",
  atTheGlass: "Junto ao vidro",
  theTopCutThrough: "O topo, em corte",
  fromTheSpoonThinTo: "Da colher, de ralo a espesso",
  fetchingTheSigns: "A buscar os sinais",
  whatDoesItShow: "O que mostra?",
  pressWhatYouSeeAnd: "Toque no que vê e cheira. As mesmas regras vigiam os seus frascos.",
  howOldItIs: "Que idade tem",
  lastFed: "Último refresco",
  begunWith: "Começado com",
  signsOf: (name) => `Sinais de ${name}`,
  whatDoesShow: (name) => `O que mostra ${name}?`,
  itsAgeItsFeedsAnd: "A idade, os refrescos e o que anotou já se sabem. Toque no que o preocupa.",
  keepThisAsALook: "Guardar como observação",
  thickness: "Espessura",
  whatItMeans: "O que quer dizer",
  nothingPressedYet: "Ainda nada tocado.",
  nothingUnusualInThatKeep: "Nada de estranho nisso. Siga o plano.",
};
