/** O frasco novo, uma pergunta de cada vez. */
import type * as en from "../en/led";
import type { Spoken } from "../spoken";

export const ledText: Spoken<typeof en.ledText> = {
  question: (at, of) => `Pergunta ${at} de ${of}`,
  yourPlan: "O seu plano",
  back: "Voltar",
  goOn: "Continuar",
  allOnOnePage: "Todas as escolhas numa página",
  whatDoYouBeginWith: "De que parte?",
  haveYouAScale: "Tem uma balança de cozinha?",
  yes: "Sim",
  no: "Não",
  inGrams: "a peso",
  inSpoons: "em colheres e chávenas",
  whichFlour: "Que farinha?",
  aMix: "Uma mistura",
  theFloursOfTheMix: "As farinhas da mistura",
  whereDoesItStand: "Onde vai ficar?",
  iKnowItInDegrees: "Sei a temperatura",
  whichJar: "Que frasco?",
  iMeasureMine: "Meço o meu",
  whenAreYouThere: "Quando está em casa?",
  asToldBefore: "Como já disse",
  inHouse: "ver Casa",
  mostOfTheDay: "Quase todo o dia",
  morningsAndEvenings: "De manhã e à noite",
  eveningsOnly: "À noite",
  anotherWay: "Outro método",
  waysThatFit: "Métodos, e o dia em que cada um deve estar pronto",
  onTheShelfAndBake: "Pôr na prateleira e planear o pão",
};
