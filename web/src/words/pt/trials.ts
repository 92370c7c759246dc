/** Lado a lado: frascos criados para diferirem numa só coisa, do começo ao fim. */
import type { EndedAs, WeighedOnce } from "../../api/types";
import { grams, list } from "../../lib/numbers";
import type * as en from "../en/trials";
import type { Spoken } from "../spoken";
import { FLOUR_WORDS } from "./flours";

const COUNTED: Record<number, string> = { 2: "dois", 3: "três", 4: "quatro" };

export const trialText: Spoken<typeof en.trialText> = {
  trials: "Lado a lado",
  fetchingThem: "A buscar o que está lado a lado",
  none: "Ainda não há nada lado a lado.",
  noneHint:
    "Crie dois a quatro frascos que difiram numa só coisa, e aprenda o que ela faz. Comece por um frasco novo, ou ponha lado a lado frascos que já correm.",
  newJars: "Preparar frascos novos lado a lado",
  running: "A decorrer",
  ended: "Terminados",
  begunOn: (day) => `começou ${day}`,
  endedOn: (day) => `terminou ${day}`,
  namesOf: (names) => list([...names]),
  openingIt: "A pô-los lado a lado",
  plainFirst: (name) =>
    `${name} é o simples: primeiro em cada volta, uma espátula para cada um, para nada de um passar para o outro.`,
  feedThem: "Alimentá-los, um a seguir ao outro",
  rename: "Mudar o nome",
  keepName: "Guardar o nome",
  weighedOnce: "Pesado uma vez para todos",
  forAll: (count) => `para os ${COUNTED[count] ?? count}`,
  yeastInto: (name) =>
    `Uma pitada de fermento de padeiro vai para ${name}, só para mostrar: sobe em duas horas, e nada diz de uma massa-mãe.`,
  yeastIsIn: "A pitada já entrou",
  yeastNoted: (name) => `Fermento de padeiro anotado em ${name}`,
  photosOfAll: "Fotografias de todos",
  photoHint: "Ponha-os em fila, o simples à esquerda, e tire uma fotografia de todos.",
  takePhoto: "Juntar uma fotografia de todos",
  photoOfAll: "Uma fotografia de todos os frascos",
  photoFrom: (moment) => `Todos os frascos, ${moment}`,
  makingItSmall: "A reduzi-la …",
  sendingIt: (name) => `Fotografia de todos: ${name}`,
  paper: "Em papel",
  sheetForAll: "Uma folha para todos (PDF)",
  labelsForAll: "Etiquetas para todos (PDF)",
  endIt: "Terminar",
  endHint: "Diga de cada frasco o que é feito dele. A página fica, e o fim pode voltar atrás.",
  becomes: (name) => `O que é feito de ${name}`,
  sayOfEach: "Diga de cada frasco o que é feito dele.",
  endNow: "Terminar assim",
  ending: "A terminar …",
  notFood: (name) => `${name} ainda não serve para cozer: guarda-se, ou vai para o lixo.`,
  hasEnded: (day) => `Terminou ${day}. O que aqui está é o que então se sabia.`,
  takeUpAgain: "Retomar",
  binAll: "Para o lixo: fechado, sem abrir, e o frasco lavado com água quente, se algum teve bolor.",
  allTrials: "Tudo o que está lado a lado",
  keepIt: "Guardar numa página própria",
  named: (names) => names.join(" · "),
  beginning: (name) => `Lado a lado: ${name}`,
};

export const ENDED_WORDS: Record<EndedAs, string> = {
  kept: "guardado",
  used: "todo usado numa massa",
  spare: "reserva no frigorífico",
  discard: "para o frasco do descarte",
  bin: "para o lixo",
};

export const weighedOnce: typeof en.weighedOnce = (one, nameOf) => {
  const thing = one.flour ? FLOUR_WORDS[one.flour] : (INGREDIENTS[one.ingredient] ?? "");
  const [first, ...rest] = one.shares;
  const even = first !== undefined && rest.every(({ g }) => g === first.g);
  const whole = `${grams(one.g)} ${thing} ${trialText.forAll(one.shares.length)}`;
  return even
    ? `${whole}: ${grams(first.g)} cada`
    : `${whole}: ${one.shares.map(({ jar, g }) => `${nameOf(jar)} ${grams(g)}`).join(", ")}`;
};

const INGREDIENTS: Partial<Record<WeighedOnce["ingredient"], string>> = { water: "água", juice: "sumo" };

export const severalText: Spoken<typeof en.severalText> = {
  several: "Vários de uma vez, com uma diferença",
  whatDiffers: "O que difere",
  alone: "Um só frasco",
  place: "Onde fica",
  way: "O método",
  flour: "A farinha",
  yeast: "Uma pitada de fermento, só para mostrar",
  flourOfOthers: "Os outros levam",
  theOthers: "Os outros",
  another: (number) => `Frasco ${number}`,
  plainOne: (name) => `${name}, como acima, é o simples. Ao lado:`,
  heldEqual: (what) => `Igual em todos: ${what}.`,
  chooseValues: "Escolha um a três outros.",
  putThemOnTheShelf: (count) => `Pôr os ${count} frascos na prateleira`,
  withYeast: "com fermento",
  equal: {
    way: "o método",
    flour: "a farinha",
    amounts: "as quantidades",
    place: "o sítio",
    jar: "o frasco",
    hour: "a hora da primeira mistura",
  },
};
