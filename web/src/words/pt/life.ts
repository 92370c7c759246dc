/** O que se diz da vida inteira de um frasco: o que muda, como se mantém, os pães, e o que sai dele. */
import type { EntryBody, FamilyCode, Flour } from "../../api/types";
import { counted, degrees, grams, list, written } from "../../lib/numbers";
import { clock, when } from "../../lib/time";
import type * as en from "../en/life";
import type { Spoken } from "../spoken";
import { FLOUR_WORDS } from "./flours";
import { FAMILY_WORDS } from "./methods";

export const KEEPING_WORDS: typeof en.KEEPING_WORDS = {
  counter: { label: "Três vezes por semana ou mais", hint: "Na bancada, alimentado uma vez por dia." },
  counter_twice: { label: "Muitas vezes, e está calor", hint: "Na bancada, alimentado duas vezes por dia." },
  counter_and_cold: {
    label: "Muitas vezes, e ainda mais calor",
    hint: "Meio dia fora, meio dia no frigorífico.",
  },
  fridge: {
    label: "Mais ou menos uma vez por semana",
    hint: "No frigorífico; sai de seis em seis dias para ser alimentado.",
  },
  spare: { label: "De vez em quando", hint: "No frigorífico; alimentado mais ou menos uma vez por mês." },
};

export const CHAPTER_WORDS: typeof en.CHAPTER_WORDS = {
  raised: "A ser criado",
  woken: "A ser acordado",
  counter: "Mantido na bancada",
  counter_and_cold: "Mantido meio dia ao frio",
  fridge: "Mantido no frigorífico",
  let_go: "Deixado de vez",
  ended: "Acabado",
};

export const USED_FOR_WORDS: typeof en.USED_FOR_WORDS = {
  dough: "para pão",
  recipe: "para outra coisa de forno",
  gift: "dados a alguém",
  spare: "de reserva",
  flakes: "para secar",
  split: "repartidos",
  other_jar: "para outro frasco",
  discard_jar: "para o frasco do descarte",
};

export const WHERE_WORDS: typeof en.WHERE_WORDS = {
  here: () => "onde está",
  warmer: (celsius) => `numa caixa quente, a cerca de ${degrees(celsius)}`,
  cooler: (celsius) => `num sítio fresco, a cerca de ${degrees(celsius)}`,
};

export const chapterTitle: typeof en.chapterTitle = ({ kind, family }) => {
  const way = kind === "raised" || kind === "woken" ? FAMILY_WORDS[family as FamilyCode]?.label : null;
  return way ? `${CHAPTER_WORDS[kind]}: ${way.toLowerCase()}` : CHAPTER_WORDS[kind];
};

export const blendLine: typeof en.blendLine = (blend) =>
  blendWords(Object.fromEntries(blend.map(({ flour, share }) => [flour, share])));

function blendWords(blend: Readonly<Record<string, number>>): string {
  const parts = Object.entries(blend);
  const whole = parts.reduce((sum, [, part]) => sum + part, 0);
  const only = parts.length === 1;
  return list(
    parts.map(([flour, part]) => {
      const name = FLOUR_WORDS[flour as Flour] ?? flour;
      return only ? name : `${Math.round((100 * part) / whole)} % de ${name}`;
    }),
  );
}

export const termWords: typeof en.termWords = (entry, now, zone) => {
  switch (entry.kind) {
    case "moved": {
      const night = entry.night_c === null ? "" : `, ${degrees(entry.night_c)} de noite`;
      return { title: "Mudado de sítio", line: `para onde há ${degrees(entry.warmth_c)}${night}` };
    }
    case "jar":
      return { title: "Outro frasco", line: `de ${entry.volume_ml} ml` };
    case "flour":
      return {
        title: "Outra farinha",
        line: entry.blends.map(blendWords).join(", depois ") + (entry.blends.length > 1 ? ", à vez" : ""),
      };
    case "rhythm":
      return {
        title: "Outro ritmo",
        line: `de ${written(entry.every_h)} em ${written(entry.every_h)} horas`,
      };
    case "amount":
      return { title: "Outras quantidades", line: amountWords(entry) };
    case "way":
      return { title: "Outro método", line: wayWords(entry) };
    case "use":
      return { title: "Usado", line: `${grams(entry.g)} ${USED_FOR_WORDS[entry.used_for]}` };
    case "put_back": {
      const g = entry.water_g + entry.flours.reduce((sum, part) => sum + part.g, 0);
      return { title: "Posto de volta", line: grams(g) };
    }
    case "bake":
      return {
        title: "Pão planeado",
        line: `${grams(entry.grams)} ${when(entry.mixed_at, now, zone)}${entry.every_days ? `, de ${entry.every_days} em ${entry.every_days} dias` : ""}`,
      };
  }
};

function amountWords(entry: Extract<EntryBody, { readonly kind: "amount" }>): string {
  const parts = [];
  if (entry.size !== 1) parts.push(`${written(entry.size)} vezes o tamanho do método`);
  if (entry.seed_g !== null) parts.push(`guardar ${grams(entry.seed_g)}`);
  if (entry.flour_parts !== null)
    parts.push(`${written(entry.flour_parts)} ${counted(entry.flour_parts, "parte", "partes")} de farinha`);
  if (entry.hydration_percent !== null)
    parts.push(`${entry.hydration_percent} % de água em relação à farinha`);
  return parts.length > 0 ? list(parts) : "como o método diz";
}

function wayWords(entry: Extract<EntryBody, { readonly kind: "way" }>): string {
  const kept: Partial<Record<string, string>> = {
    counter: CHAPTER_WORDS.counter,
    counter_and_cold: CHAPTER_WORDS.counter_and_cold,
    fridge: CHAPTER_WORDS.fridge,
  };
  const known = kept[String(entry.choices.way ?? "")];
  return (known ?? FAMILY_WORDS[entry.family as FamilyCode]?.label ?? entry.family).toLowerCase();
}

export const keepingLine: typeof en.keepingLine = (offer) => {
  const feeds =
    offer.feeds_a_week >= 1
      ? `${written(offer.feeds_a_week)} ${counted(offer.feeds_a_week, "refresco", "refrescos")} por semana`
      : "um refresco de vez em quando";
  return `${feeds}, ${grams(offer.flour_g_a_week)} de farinha e ${offer.minutes_a_week} minutos por semana`;
};

export const peakLine: typeof en.peakLine = ({ peaks }, now, zone) =>
  `No pico ${when(peaks.likely, now, zone)}, entre as ${clock(peaks.earliest, zone)} e as ${clock(peaks.latest, zone)} quatro vezes em cinco.`;

export const lifeText: Spoken<typeof en.lifeText> = {
  changeOf: (name) => `O que muda em ${name}?`,
  fromThenOn: "Conta a partir da hora que der, e nunca muda o que já passou.",
  moved: { label: "Está noutro sítio", hint: "mais quente, mais fresco, outro termómetro" },
  otherJar: { label: "Outro frasco", hint: "transbordou, ou veio de uma taça" },
  otherFlour: { label: "Outra farinha", hint: "a partir do próximo refresco, ou à vez" },
  otherRhythm: { label: "Outro ritmo", hint: "mais vezes, ou menos" },
  otherAmount: { label: "Outras quantidades", hint: "menor, mais espesso, outra proporção" },
  otherWay: { label: "Outro método", hint: "alimentar pelos sinais, ou passar a manter" },
  away: { label: "Vou estar fora", hint: "dias ou semanas" },
  hours: { label: "As minhas horas", hint: "para todos os frascos, na Casa" },
  saveIt: "Guardar",
  fedWith: "Alimentado com",
  mixedOrInTurn: "Como",
  mixed: "misturadas",
  inTurn: "um refresco de cada, à vez",
  partsOf: (flour) => `Partes de ${flour}`,
  every: "Cada",
  hoursUnit: "h",
  onceADay: "uma vez por dia",
  twiceADay: "duas vezes por dia",
  threeADay: "três vezes por dia",
  everyOther: "dia sim, dia não",
  otherHours: "Horas de refresco a refresco",
  size: "Tamanho",
  sizeOfTheWay: "Vezes o tamanho do método",
  half: "metade",
  twice: "o dobro",
  seedKept: "Guardar em cada refresco",
  flourToSeed: "Farinha para uma parte de massa-mãe",
  waterToFlour: "Água em relação à farinha",
  emptyAsTheWay: "Em branco: como o método diz.",
  lineMeasured: "Marca, se a mediu",
  whichWay: "Que método",
  keepIt: "Ou passa a ser mantido",
  howOften: "Quantas vezes faz pão?",
  atItsEnd: (name) => `O método de ${name} chegou ao fim. Como continua?`,
  untilYouSay: "O plano deixa de se repetir até que diga.",
  tooEarly: "Ainda não está pronto. Mantido assim lá chega mais tarde, ou no frigorífico talvez nunca.",
  thisOne: "Manter assim",
  keepAfterAll: "Afinal, manter",
  stopForNow: "Parar por agora",
  letItGo: { label: "Deixá-lo de vez", hint: "gastá-lo, secar um pouco, o resto para o lixo" },
  letGoHow: "Já nada se pede. Gaste-o em alguma coisa de forno, seque umas colheradas, deite fora o resto.",
  letGoAsk: (name) => `Deixar ${name} de vez?`,
  dryFirst: "Secar um pouco primeiro",
  workingItOut: "A calcular o que cada um leva",
  next: "Seguinte",
  bakeWith: (name) => `Um pão com ${name}`,
  needs: "Massa-mãe para o pão",
  day: "Dia",
  mixingAt: "Amassado às",
  dayOfIt: "Dia do pão",
  hourOfIt: "Hora de amassar",
  stays: "Fica no frasco",
  again: "Outra vez",
  once: "uma vez",
  weekly: "todas as semanas",
  moreOfTheBake: "Outro dia ou hora, todas as semanas",
  needsTheHouse: "Isto calcula-se na casa, a que agora não se chega.",
  working: "A contar para trás a partir da hora",
  takeThis: "Ficar com este",
  nothingFits: "Nada serve a essa hora.",
  soonest: (at) => `O mais cedo que corre bem é ${at}:`,
  weaker: (feeds) =>
    `Depois de dormir tanto, o costume são ${feeds} refrescos; assim são menos, e pode subir menos.`,
  noFeed: "Sem refresco: o que está a correr estará no pico.",
  feedAt: (at) => `Alimentar ${at}`,
  keepAdd: (keep, water, flour, ratio) =>
    `guardar ${keep}, juntar ${water} de água e ${flour}${ratio ? ` (${ratio})` : ""}`,
  notThisBake: "Este pão não",
  missedThePeak: "O pico já passou. Alimentado agora outra vez, serve para pão daqui a umas horas.",
  feedItAgain: "Alimentar outra vez para isto",
  takenOut: (g) => `${g} foram para o pão`,
  bakeCalledOff: "Pão desmarcado",
  takeSomeOf: (name) => `Tirar um pouco de ${name}`,
  takenOutIsNoDiscard: "O que se usa não é descarte.",
  whatFor: "Para quê",
  howMuch: "Quanto",
  putSomeBack: "Antes volta alguma coisa lá para dentro",
  putBackOf: (name) => `Pôr massa-mãe de volta em ${name}`,
  ofFlour: "Farinha que leva",
  ofWater: "Água que leva",
  kindOfFlour: "Farinha",
  forIt: {
    dough: ["Pese-o para a massa do pão.", "Alimente o que fica, ou ponha-o no frigorífico."],
    recipe: ["Coza-o bem; nunca o prove cru."],
    gift: [
      `Ponha ${grams(20)} a ${grams(30)}, acabados de alimentar, num frasco limpo de tampa pousada.`,
      "Escreva num cartão: que farinha, que espessura, quando foi alimentado.",
      "Nos três primeiros dias: tapado sem apertar, partes iguais uma vez por dia, espere que dobre.",
    ],
    spare: [
      "Ponha-o num frasco pequeno e limpo, e alimente-o lá.",
      "Deixe começar a subir, depois para o frigorífico, tampa pousada.",
      "Alimente-o mais ou menos uma vez por mês; o frasco novo lembra-o.",
    ],
    flakes: [
      "Espalhe-o fino como papel sobre papel vegetal.",
      "Deixe secar um a três dias num sítio seco, até estalar.",
      "Desfaça-o para um frasco seco, fechado, ao escuro; escreva a farinha e a data.",
      "Dura um ano e mais. Demolhado, começa como as lascas secas.",
    ],
    split: [
      "Ponha-o no segundo frasco, uma espátula para cada um.",
      "Mude uma coisa só, e aprende com isso.",
    ],
    other_jar: ["Misture-o no outro frasco, e anote lá o que entrou."],
    discard_jar: ["Para o frasco tapado, com etiqueta, no frigorífico.", "Sempre bem cozido ou assado."],
  },
  dried: "Seco dele",
  driesUntil: (from, to, keeps) =>
    `estala entre ${from} e ${to}; dura pelo menos até ${keeps} do ano que vem`,
  labelForTheFlakes: "Etiqueta para as lascas",
  cardForTheGift: "Cartão para acompanhar",
  whatDiffers: "O que nele é diferente",
  differs: { nothing: "nada", flour: "a farinha", ratio: "a proporção", place: "o sítio" },
  mixThemAhead: (parts) =>
    `Pouco demais para pesar à parte: misture antes as farinhas, ${parts}, e tire daí.`,
  noteIt: "Anotar",
  asItsOwnJar: (name) => `${name}, como frasco próprio`,
  nameOfTheJar: "Nome do frasco novo",
  madeAndNoted: (name) => `${name} está na prateleira.`,
  awayOf: (name) => `Longe de ${name}`,
  awayUntil: "De volta a",
  backAt: "De volta às",
  before: "Antes de ir",
  onReturn: "Quando voltar",
  awayShort: [
    "Dê-lhe uma refeição maior e mais espessa do que o costume, e ponha-o num sítio fresco.",
    "Ou alimente-o, deixe começar a subir, e ponha-o no frigorífico.",
  ],
  awayLong: [
    "Alimente-o, deixe começar a subir, ponha-o no frigorífico, tampa pousada.",
    "Anote que foi para o frigorífico.",
  ],
  awayBack: [
    "Primeiro olhe: líquido por cima é normal, rosa, laranja ou felpudo não é; então vai tudo para o lixo.",
    "Escorra, tire-o cá para fora, alimente-o; outra vez meio dia depois.",
  ],
  nothingIsDueBefore: "Antes disso nada se pede, e nada o lembra.",
  leftAloneUntil: (at) => `Deixado em paz até ${at}.`,
  iAmBack: "Estou de volta",
  backTo: (name) => `De volta a ${name}`,
  backSaid: "Seja bem-vindo de volta. O plano segue a partir de agora.",
  cameFrom: (name) => `saído de ${name}`,
  daughters: "Saíram dele",
  chapters: "A vida até agora",
  chapterSpan: (since, until, feeds) =>
    `${since} ${until ? `a ${until}` : "em diante"}, ${feeds === 1 ? "um refresco" : `${feeds} refrescos`}`,
  restsSince: (weeks) => `No frigorífico, alimentado há ${weeks}`,
  usedSoFar: (g) => `${g} usados`,
};
