/** Frascos lado a lado: o que os distingue, o que isso fez, e com que certeza. */
import type { Apart, Difference, Yardstick } from "../../api/types";
import { list } from "../../lib/numbers";
import { bounds, much } from "../differences";
import type * as en from "../en/beside";
import type { Spoken } from "../spoken";
import { SMELL_WORDS } from "./looks";

export const besideText: Spoken<typeof en.besideText> = {
  sideBySide: "Lado a lado",
  plain: "O simples",
  besideIt: "Ao lado dele",
  chooseOthers: "Escolha o que fica ao lado: um a três frascos.",
  holdingThem: "A pô-los lado a lado",
  linesSince: (names) => `Níveis desde cada refresco: ${names}. A tabela abaixo diz em que dão.`,
  jar: "Frasco",
  since: "Contado desde",
  watched: "Refrescos observados",
  doubles: "Dobra em",
  peaks: "Pico após",
  rises: "Sobe a",
  smells: "Cheirou a",
  notYet: "ainda não",
  tooFew: "refrescos a menos",
  isBinned: "no lixo",
  whatItDid: "O que isso fez",
  askAgain: (names) =>
    `Ainda nada se pode dizer de ${names}: o mínimo são três refrescos depois de despertar, cada um com um nível lido perto do pico.`,
  onlyThese:
    "Isto diz-se destes frascos. Dois frascos iguais já diferem por si; só mais frascos dizem da farinha.",
  onePlainFirst:
    "Primeiro o simples em cada volta, uma espátula para cada um, para nada de um passar para o outro.",
  lookAtThem: "Observá-los, um a seguir ao outro",
  asTable: "Como tabela (CSV)",
  print: "Imprimir esta página",
  beginOne: "Começar um ao lado, com uma diferença",
  needsTwo: "Só há um frasco na prateleira.",
  holds: "Aguenta",
  awakeAfter: "Desperta após",
  sinceEachFeed: "Desde cada refresco",
  overAllDays: "Ao longo dos dias",
  howTheLinesStand: "Linhas",
  linesOverDays: (names) =>
    `Níveis ao longo de todos os dias, cada frasco desde a sua primeira mistura: ${names}. A tabela abaixo diz em que dão.`,
};

const APART_WORDS: Record<Apart, string> = {
  flour: "na farinha",
  liquid: "no líquido",
  ratio: "na proporção",
  rhythm: "no ritmo",
  thickness: "na espessura",
  yeast: "numa pitada de fermento de padeiro",
  place: "no sítio",
  way: "no método",
  start: "no começo",
};

export const alikeLine: typeof en.alikeLine = ([tried]) => {
  if (tried === "place") return "Contado à mesma proporção, cada um onde está.";
  if (tried === "ratio") return "Contado à mesma temperatura, cada um com a sua proporção.";
  return "Contado à mesma proporção e temperatura, tenha sido como foi e esteja onde estiver.";
};

export const apartLine: typeof en.apartLine = (apart) => {
  if (apart.length === 0) return "Nada do que se sabe deles difere. O que difere são os próprios frascos.";
  const named = list(apart.map((one) => APART_WORDS[one]));
  return apart.length === 1
    ? `Diferem ${named}.`
    : `Diferem em mais do que uma coisa: ${named}. Não se distingue qual delas foi.`;
};

const DOES: Record<Yardstick, string> = {
  to_double: "dobra",
  to_peak: "chega ao pico",
  height: "sobe",
  holds: "aguenta a altura",
  awake: "despertou",
};
const MORE: Record<Yardstick, string> = {
  to_double: "mais tarde",
  to_peak: "mais tarde",
  height: "mais alto",
  holds: "mais tempo",
  awake: "mais tarde",
};
const LESS: Record<Yardstick, string> = {
  to_double: "mais cedo",
  to_peak: "mais cedo",
  height: "mais baixo",
  holds: "menos tempo",
  awake: "mais cedo",
};
const MEASURED: Record<Yardstick, string> = {
  to_double: "quando dobra",
  to_peak: "quando chega ao pico",
  height: "até onde sobe",
  holds: "quanto tempo aguenta a altura",
  awake: "quando despertou",
};

function more(feeds: number | null): string {
  if (feeds === null) return "Só mais refrescos dificilmente o esclarecem.";
  return feeds === 1
    ? "Mais um refresco observado deve esclarecer."
    : `Mais ${feeds} refrescos observados devem esclarecer.`;
}

export const differenceLine: typeof en.differenceLine = (one, name, plain) => {
  const way = one.share < 0 ? LESS[one.measure] : MORE[one.measure];
  const does = DOES[one.measure];
  if (one.at_least) {
    const [first, last] = one.share < 0 ? [name, plain] : [plain, name];
    return `${first} já despertou, e ${last} ainda não, ${much(one)} depois: ${last} é de certeza mais tarde.`;
  }
  switch (one.surety) {
    case "surely":
      return `${name} ${does} ${much(one)} ${way} do que ${plain}, de certeza: ${bounds(one)}.`;
    case "likely":
      return `${name} deve ser assim: ${does} ${way} do que ${plain}, cerca de ${much(one)}. ${once(one)}`;
    case "no_matter":
      return `${name} ${does} como ${plain}, de certeza a menos de um décimo.`;
    case "open":
      return `Ainda não se pode dizer se ${name} ${does} ${LESS[one.measure]} ou ${MORE[one.measure]} do que ${plain}. ${once(one)}`;
  }
};

function once({ measure, more_feeds: feeds }: Difference): string {
  return measure === "awake"
    ? "Um frasco só desperta uma vez: mais frascos diriam, mais refrescos não."
    : more(feeds);
}

export const openLine: typeof en.openLine = (measures, name, plain) => {
  const named = list(measures.map((one) => MEASURED[one]));
  return `Demasiado perto de ${plain} para se dizer de ${name}: ${named}. Só mais refrescos dificilmente o esclarecem.`;
};

export const smellLine: typeof en.smellLine = (one, name, plain) => {
  const often = one.feeds * one.plain_of > one.plain_feeds * one.of ? "mais vezes" : "menos vezes";
  const counts = `em ${one.feeds} de ${one.of} refrescos, contra ${one.plain_feeds} de ${one.plain_of}`;
  return `${name} cheira a isto ${often} do que ${plain}, de certeza: ${SMELL_WORDS[one.smell]} (${counts}).`;
};
