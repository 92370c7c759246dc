/** O que se diz no plano. */
import { grams, written } from "../../lib/numbers";
import type * as en from "../en/plan";
import type { Spoken } from "../spoken";

export const planText: Spoken<typeof en.planText> = {
  planOf: (name) => `Plano de ${name}`,
  layingOutTheDays: "A dispor os dias",
  sheetForTheFridgeDoor: "Folha para a porta do frigorífico",
  jarLabels: "Etiquetas do frasco",
  asACalendarFile: "Como ficheiro de calendário",
  printThisPage: "Imprimir esta página",
  theDayBefore: "O dia anterior",
  theDaysBefore: (count) => `Os ${count} dias anteriores`,
  stillToBuy: "Ainda por comprar",
  usedSoFar: "Usado até agora",
  water: "água",
  juice: "sumo",
  takenOut: "tirado",
  feeds: "refrescos",
  workLooksIncluded: "trabalho, com as observações",
  fromAboutHereOnIt: "Mais ou menos a partir daqui deve estar pronto.",
  normal: (what) => `Normal: ${what}`,
  leftOut: "(saltado)",
  yourHoursLeaveNoBetter: "; as suas horas não deixam melhor altura",
  asGoodFromTo: (when, clock, detail) => `tanto faz entre ${when} e as ${clock}${detail}`,
  doIt: "Fazer",
  until: (until) => `até ${until}`,
  onceADay: "uma vez por dia",
  twiceADay: "duas vezes por dia",
  halfTheSize: "metade do tamanho",
  twiceTheSize: "o dobro do tamanho",
  startTomorrow: "começar amanhã",
  wasteLessSo: "Gastar menos assim",
  lessWaste: "Menos desperdício daqui em diante",
  whatIf: "E se",
  onlyAskedTheJarStays: "É só uma pergunta; o frasco fica como está até carregar.",
  doItFromNowOn: "Fazer assim daqui em diante",
  soItIsFromNowOn: "Assim fica daqui em diante. Está no diário e pode desfazer-se.",
  changeOf: (name) => `Uma mudança de ${name}`,
  itStoodAt: "Estivesse a",
  anotherFlour: "Outra farinha",
  anotherRhythm: "Outro ritmo",
  anotherSize: "Outro tamanho",
  anotherStart: "Outro começo",
  untilFeedsInsteadOf: (dayWord, difference, feeds, feeds2) =>
    `Até ${dayWord}: ${difference}, ${feeds} refrescos em vez de ${feeds2}.`,
  flourInsteadOf: (grams, grams2) => `${grams} de farinha em vez de ${grams2}`,
  laterThanPlanned: (hours) => `${hours} h mais tarde do que o planeado`,
  soonerThanPlanned: (hours) => `${hours} h mais cedo do que o planeado`,
};

export const SPARE_WORDS: typeof en.SPARE_WORDS = {
  smaller: "Um frasco mais pequeno",
  seldomer: "Um refresco por dia",
  on_hunger: "Alimentar quando tem fome, não pelo relógio",
  fridge: "Para o frigorífico, e sair uma vez por semana para ser alimentado",
};

/** `310 g a menos deitados fora e 150 g a menos de farinha, até estar pronto.` */
export const sparingGain: typeof en.sparingGain = ({
  saves_discard_g: out,
  saves_flour_g: flour,
  until_ready: until,
}) => {
  const less = flour >= 1 ? ` e ${grams(Math.round(flour))} a menos de farinha` : "";
  return `${grams(Math.round(out))} a menos deitados fora${less}, ${until ? "até estar pronto" : "em quatro semanas"}.`;
};

const HALF_A_DAY = 0.5;

function days(count: number): string {
  const near = Math.round(count * 2) / 2;
  return near === 1 ? "um dia" : `${written(near)} dias`;
}

export const sparingCost: typeof en.sparingCost = ({
  how,
  until_ready: until,
  later_days: later,
  wider_days: wider,
}) => {
  if (how === "fridge") return "Custa meio dia ao calor e um refresco antes de fazer pão.";
  const said = [];
  if (later >= HALF_A_DAY) said.push(`Deve ficar pronto ${days(later)} mais tarde.`);
  else if (later <= -HALF_A_DAY) said.push(`Deve ficar pronto ${days(-later)} mais cedo.`);
  else if (until) said.push("Não custa dia nenhum.");
  if (wider >= 2) said.push("Quanto demora fica menos certo.");
  if (how === "on_hunger") said.push("Olha para o frasco em vez do relógio.");
  return said.join(" ") || "Não custa nada.";
};
