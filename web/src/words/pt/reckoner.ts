/** O que se diz nas contas. */
import { fromTo, JOIN, written } from "../../lib/locale";
import type * as en from "../en/reckoner";
import type { Spoken } from "../spoken";

export const REALM_WORDS: Spoken<typeof en.REALM_WORDS> = {
  feed: { label: "Um refresco", asks: "Quanto de quê, e quando chega ao pico?" },
  thickness: {
    label: "Quanta água",
    asks: "Quanta água tem depois destes refrescos, com a massa-mãe incluída?",
  },
  build: { label: "Aumentar", asks: "Tanta massa-mãe para aquela hora: o que dar, e quando?" },
  slip: { label: "Um engano", asks: "Entrou demais. O que o volta a acertar?" },
  units: { label: "Colheres e unidades", asks: "Quanto é isso?" },
  recipe: { label: "Para uma receita", asks: "A receita pede outra massa-mãe. O que muda?" },
};

export const END_WORDS: Spoken<typeof en.END_WORDS> = {
  seed: { choice: { label: "o que guardo" }, amount: "Guardado" },
  total: { choice: { label: "o que quero ao todo" }, amount: "Ao todo" },
  flour: { choice: { label: "a farinha que tenho" }, amount: "Farinha" },
  jar: { choice: { label: "o que cabe no frasco" }, amount: "Frasco, até ao bordo" },
};

export const MEASURE_NAMES: typeof en.MEASURE_NAMES = {
  g: "gramas",
  oz: "onças",
  ml: "mililitros",
  tsp: "colheres de chá",
  tbsp: "colheres de sopa",
  cup: "chávenas",
};

/** `cerca de 6 h (5 a 8)` */
export const hoursSpan: typeof en.hoursSpan = ({ low, middle, high }) => {
  const half = (hours: number) => written(Math.round(hours * 2) / 2);
  return `cerca de ${half(middle)}${JOIN}h (${fromTo(half(low), half(high))})`;
};

export const reckonerText: Spoken<typeof en.reckonerText> = {
  reckoner: "Contas",
  sums: "Contas",
  answer: "Resultado",
  linkCopied: "A ligação está copiada.",
  copyTheLink: "Copiar a ligação",
  print: "Imprimir",
  flour: "Farinha",
  water: "Água",
  from: "Contado a partir de",
  ratio: "Massa-mãe : farinha : água",
  warmth: "Onde está",
  feedAJarSo: "Alimentar um frasco assim",
  keepAndAdd: (keep, add) => `Guarde ${keep}, junte ${add}.`,
  inSpoons: (said) => `Em colheres: ${said}.`,
  untilItsPeak: "até ao pico",
  doublesIn: (hours) => `Dobra em ${hours}.`,
  hardlyDoubles: "Mal chega a dobrar.",
  goesUpTo: (times) => `Sobe até cerca de ${times}.`,
  ofAGrownJar: "De um frasco crescido e vivo. Um novo é mais lento.",
  kept: "Guardado",
  all: "tudo",
  firstMix: "Primeira mistura",
  afterIt: (total, wet) => `Depois ${total}, ${wet} de água em relação à farinha.`,
  anotherFeed: "Mais um refresco",
  oneLess: "Menos um",
  waterToFlourIn: (total) => `de água em relação à farinha, em ${total}`,
  forTheDough: "Para o pão",
  stays: "Fica no frasco",
  waterToFlour: "Água em relação à farinha",
  atItsPeak: "No pico",
  inFeeds: "Em tantos refrescos",
  planItForAJar: "Planear para um frasco",
  seedToBeginWith: "do frasco para começar",
  ontoIt: (keep, add) => `sobre ${keep} junte ${add}.`,
  thatIsGone: "Essa hora já passou. Menos refrescos, mais calor, ou uma hora mais tarde.",
  inAll: (total) => `${total} ao todo, no fim.`,
  meantAs: "Era para ser",
  waterThatIsIn: "Água que lá está",
  flourThatIsIn: "Farinha que lá está",
  ratioThen: (asIs, mended, total) => `${asIs} como está, ${mended} depois de acertado; ${total} ao todo.`,
  amount: "Quantidade",
  unit: "Em",
  of: "De",
  byWeight: "a peso",
  aTenth: "Medidas rasas. A maneira de encher a colher muda-a em um décimo; pesar não muda.",
  theRecipeAsks: "A receita pede",
  ofAStarterAt: "de massa-mãe com água em relação à farinha a",
  mineIsAt: "A minha tem",
  takeItOfAJar: "Tirar de um frasco",
  ofYours: "da sua massa-mãe",
  waterAsItIs: "A água da receita fica como está.",
  moreWater: (g) => `Junte mais ${g} de água do que a receita diz.`,
  lessWater: (g) => `Deixe de fora ${g} da água da receita.`,
  sameFlour: (g) => `Ambas trazem ${g} de farinha, por isso a massa do pão fica igual.`,
};
