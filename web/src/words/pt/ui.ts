/** O que dizem os comandos. */
import type * as en from "../en/ui";
import type { Spoken } from "../spoken";

export const uiText: Spoken<typeof en.uiText> = {
  understood: "Percebido",
  homeFrom: (label, detail) => `${label}: em casa desde, ${detail}`,
  homeUntil: (label, detail) => `${label}: em casa até, ${detail}`,
  homeFrom2: (label) => `${label}: em casa desde`,
  homeUntil2: (label) => `${label}: em casa até`,
  firstTime: "primeira vez",
  secondTime: "segunda vez",
  thirdTime: "terceira vez",
  bottomOfTheJarInside: "Fundo do frasco, por dentro",
  theMark: "A marca",
  theLevelNow: "O nível agora",
  fromTheLeftFromThe: (what, amount, amount2) => `${what}: ${amount} da esquerda, ${amount2} de cima`,
  theKitchenCannotBeReached: "Não se chega à cozinha.",
  nothingIsLostTheJars:
    "Nada se perdeu. Os frascos seguem sozinhos; esta página volta a tentar quando houver ligação.",
  tryAgainNow: "Tentar agora",
  notice: "Aviso",
  notices: "Avisos ({hotkey})",
  now: "Agora",
  n20MinAgo: "há 20 min",
  n1HAgo: "há 1 h",
  lastNight: "Ontem à noite",
  otherTime: "Outra hora",
  dateAndTime: "Data e hora",
  inTheTimeOf: (zone) => `Na hora de ${zone}`,
};
