/** O que se diz daquilo que vários lugares partilham. */
import type * as en from "../en/parts";
import type { Spoken } from "../spoken";

export const partsText: Spoken<typeof en.partsText> = {
  doSo: "Fazer assim",
  noKeepToThePlan: "Não, seguir o plano",
  doItAfterAll: "Afinal, fazer",
  backToThePlan: "Voltar ao plano",
  adviceFor: (name) => `Conselho para ${name}`,
  youSaidNoToIt: (name) => `Disse que não a ${name}. Fica lembrado por alguns dias.`,
  oneMoreFeed: "mais um refresco",
  moreFeeds: (feeds) => `mais ${feeds} refrescos`,
  asYouWishedFor: (name, detail) => `Como quis: ${name}, por ${detail}.`,
  lookingAtTheFlours: "A ver as farinhas",
  floursOnTheShelf: "Farinhas na prateleira",
  aCautionRead: "Uma cautela lida",
  takeOff: "Tirar",
  kind: "Tipo",
  whatYouCallIt: "Como lhe chama",
  millRyeCoarse: "Centeio do moinho, grosso",
  putThere: "Pôr lá",
  weekdays: "Dias úteis",
  weekends: "Fins de semana",
  yourHoursCannotBeReached: "Agora não se chega às suas horas.",
  lookingAtYourHours: "A ver as suas horas",
  actsArePutIntoThe: "As tarefas ficam nas horas em que está junto dos frascos. Arraste as pontas.",
  homeAllDay: (label) => `${label}: em casa todo o dia`,
  outInBetween: (label) => `${label}: fora pelo meio`,
  to: (clockTime, clockTime2) => `${clockTime} às ${clockTime2}`,
  saveTheChange: "Guardar a mudança",
  undoing: (noted) => `A desfazer: ${noted}`,
};
