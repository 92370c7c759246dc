/** O frasco do descarte e as contas da farinha. */
import type { DiscardAct, DiscardJar, DiscardSign, Flour } from "../../api/types";
import { forms, KG_PER_LB } from "../../lib/forms";
import { LOCALE } from "../../lib/locale";
import { counted, grams, list, written } from "../../lib/numbers";
import { dayWord, when } from "../../lib/time";
import type * as en from "../en/pantry";
import { flourShares } from "../shares";
import type { Spoken } from "../spoken";
import { FLOUR_WORDS } from "./flours";
import { TOP_WORDS } from "./looks";

export const pantryText: Spoken<typeof en.pantryText> = {
  discardJar: "Frasco do descarte",
  nothingInItYet: "Ainda não tem nada.",
  howItIsFilled:
    "No último passo de um refresco, diga que o descarte vai para o frasco do descarte. Um frasco pode dar quando está ácido, desperto e não mostra nada de mal; antes disso o descarte é para o composto.",
  whatIsInIt: "O que tem lá dentro",
  from: (much, jar, at) => `${much} de ${jar}, ${at}`,
  takeSomeOut: "Tirar um pouco",
  howMuch: "Quanto",
  whatFor: "Para quê",
  pancakes: "panquecas, bolachas, pão chato",
  takeIt: "Tirar",
  allUsed: "Tudo usado",
  emptied: "Esvaziado",
  washed: "Lavado",
  somethingIsWrong: "O que mostra?",
  thatIsIt: "Guardar isto",
  bakedThrough:
    "Sempre bem cozido, nunca provado cru; dura uma a duas semanas no frigorífico, tapado e com etiqueta. Estão primeiro as regras locais sobre alimentos.",
  before: "Antes",
  undo: "Desfazer",
  lookingAtIt: "A ver o frasco do descarte",
  itCannotBeReached: "Agora não se chega ao frasco do descarte.",
  whereTheFlourWent: "Para onde foi a farinha",
  countingTheFlour: "A contar a farinha",
  noFlourYet:
    "Ainda não se deu farinha. O que um frasco come, e para onde vai, conta-se desde a primeira mistura.",
  byJar: "Por frasco",
  byWay: "Por método",
  byMonth: "Por mês",
  name: "O quê",
  fed: "Dada",
  thrownOut: "Deitada fora",
  used: "Usada",
  standing: "Nos frascos",
  cost: "Custo",
  discardOfAll: (g, age) => `${g}, ${age}`,
  lookAtIt: "algo está mal com ele",
  byWhat: "Segundo o quê",
  lineByLine: "Linha a linha; desliza para os lados",
  seeIt: "O frasco do descarte",
  seeTheFlour: "Para onde foi a farinha",
  seeTheShelf: "Ver a farinha",
  flour: "Farinha",
  onTheShelf: "Na prateleira",
  nothingOnTheShelf:
    "Ainda não há farinha na prateleira. Ponha-a lá com o que o saco pesa: cada refresco tira a sua parte, e fica a saber até quando chega.",
  shelfOutOfReach: "Agora não se chega à prateleira.",
  toBuyUntil: (day) => `Para comprar, até ${day}`,
  putFlourThere: "Pôr farinha na prateleira",
  inTheBag: "No saco",
  weighIt: "Pesar",
  soMuch: "Tem tanto",
  bagOf: (much) => `um saco de ${much}`,
  feedInstead: (jar, other, flour) => `${jar}: ${other} em vez de ${flour}`,
  insteadInAll: (other, flour, jars) => `Dar ${other} em vez de ${flour}, nos ${jars} frascos`,
  jarByJar: (other) => `Frasco a frasco: ${other}`,
  fedSoFromNowOn: (jars) => `Alimentados assim a partir do próximo refresco: ${jars}. Está no diário.`,
  enoughUntil: (flour, day) => `Há ${flour} que chegue até ${day}.`,
  itHolds: "Leva",
  itHoldsSo: (much) => `O frasco em si leva ${much}.`,
  anotherJar: "É outro frasco",
  thatLarge: "Desse tamanho",
  get aKiloCosts() {
    return forms().mass === "g" ? "Um quilo custa" : "Uma libra custa";
  },
  aKiloCostsSo: (perKg) =>
    forms().mass === "g" ? `${written(perKg, 2)} o quilo` : `${written(perKg * KG_PER_LB, 2)} a libra`,
};

export const DISCARD_NAMES: typeof en.DISCARD_NAMES = {
  with_gluten: "Frasco do descarte",
  gluten_free: "Frasco do descarte sem glúten",
};

function age(oldest: string, now: string): string | null {
  const days = Math.floor((Date.parse(now) - Date.parse(oldest)) / 86_400_000);
  return days < 1 ? null : `${days} ${counted(days, "dia", "dias")}`;
}

export const discardLine: typeof en.discardLine = (jar, now) => {
  if (jar.total_g <= 0 || jar.oldest_at === null) return jar.washed ? "Vazio, e lavado." : "Vazio.";
  const days = age(jar.oldest_at, now);
  return `${grams(Math.round(jar.total_g))}, ${days ? `a parte mais antiga com ${days}` : "de hoje"}.`;
};

export const discardShort: typeof en.discardShort = (jar, now) => {
  if (jar.total_g <= 0 || jar.oldest_at === null) return "vazio";
  const days = age(jar.oldest_at, now);
  return `${grams(Math.round(jar.total_g))}, ${days ? `com ${days}` : "de hoje"}`;
};

const ALLERGENS: Partial<Record<Flour, string>> = {
  rye: "centeio",
  whole_wheat: "trigo",
  high_extraction: "trigo",
  white: "trigo",
  spelt: "espelta (um trigo)",
  einkorn: "einkorn (um trigo)",
};

export const allergenLine: typeof en.allergenLine = ({ flours }) => {
  const kinds = list(
    flours.map(({ flour, g }) => `${grams(Math.max(1, Math.round(g)))} de ${FLOUR_WORDS[flour]}`),
  );
  const named = [...new Set(flours.flatMap(({ flour }) => ALLERGENS[flour] ?? []))];
  return named.length > 0 ? `São ${kinds}. Tudo tem ${list(named)}: glúten.` : `São ${kinds}.`;
};

const SIGNS: Record<DiscardSign, Omit<ReturnType<typeof en.discardSign>, "question">> = {
  spoiled: {
    grave: "danger",
    meaning: "Felpudo, rosa ou laranja: isso é estrago.",
    advice: "Tudo para o lixo, sem provar nada, e lave o frasco com água quente antes de lá pôr mais.",
  },
  doubtful: {
    grave: "care",
    meaning: "Um frasco que lhe deu viu-se depois estragado.",
    advice: "O que lá entrou antes pode tê-lo trazido. Na dúvida, tudo para o lixo e lave o frasco.",
  },
  too_old: {
    grave: "care",
    meaning: "A parte mais antiga tem mais de duas semanas.",
    advice: "Já está muito ácido. Para o composto, lave o frasco, e comece outro.",
  },
  old: {
    grave: "normal",
    meaning: "A parte mais antiga tem mais de uma semana.",
    advice: "Use-o nos próximos dias, o mais antigo primeiro.",
  },
  full: {
    grave: "normal",
    meaning: "Está cheio.",
    advice: "Use um pouco, o mais antigo primeiro, antes de o próximo refresco dar mais.",
  },
  film: {
    grave: "care",
    meaning: "Uma película fina, lisa e branca é levedura selvagem.",
    advice: "Levante-a e use o resto em breve; felpudo ou com cor, vai tudo.",
  },
  liquid: {
    grave: "normal",
    meaning: "Líquido por cima é ali normal.",
    advice: "Misture-o ou escorra-o.",
  },
};

export const discardSign: typeof en.discardSign = (sign: DiscardSign, jar: DiscardJar) => {
  const said = SIGNS[sign];
  const meaning =
    sign === "doubtful" ? `Recebeu de ${list(jar.doubtful)}, que se viu depois estragado.` : said.meaning;
  return { ...said, meaning, question: null };
};

const ACTS: Record<DiscardAct, string> = {
  taken: "Tirado",
  used_up: "Tudo usado",
  emptied: "Esvaziado",
  washed: "Lavado",
  looked: "Observado",
  sized: "Outro frasco,",
};

/** `Tirado 80 g para panquecas, hoje 18:20` */
export const discardNoteLine: typeof en.discardNoteLine = (note, now, zone) => {
  const much = note.act === "taken" ? ` ${grams(note.g)}` : note.act === "sized" ? ` ${note.ml} ml` : "";
  const what = note.made_for ? ` para ${note.made_for}` : "";
  const shown = note.top.length > 0 ? `: ${list(note.top.map((one) => TOP_WORDS[one]))}` : "";
  return `${ACTS[note.act]}${much}${what}${shown}, ${when(note.at, now, zone)}`;
};

export const SHARE_WORDS: typeof en.SHARE_WORDS = {
  dough: "em pão",
  passed_on: "em reserva, repartida ou dada",
  discard_jar: "no frasco do descarte",
  standing: "agora nos frascos",
  thrown_out: "deitada fora",
};

export const stockLine: typeof en.stockLine = (kind, now, zone) => {
  const { left_g: left, needs_g: needs, runs_out_at: out, bags } = kind;
  if (bags.length === 0) return `Não há na prateleira; os planos pedem ${grams(Math.round(needs))}.`;
  if (left === null) return "Pese-a uma vez, e fica a saber até quando chega.";
  if (out && left < 1) return `Não sobra nada; o refresco de ${when(out, now, zone)} pede-a.`;
  if (out) return `Restam ${grams(Math.round(left))}: chega até ${dayWord(out, now, zone)}.`;
  if (needs < 1) return `Restam ${grams(Math.round(left))}; nenhum plano a pede.`;
  return `Restam ${grams(Math.round(left))}: chega para duas semanas e mais.`;
};

export const flourSentence: typeof en.flourSentence = (row) => {
  const parts = flourShares(row).map(({ share, g }) => `${grams(Math.round(g))} ${SHARE_WORDS[share]}`);
  return `${grams(Math.round(row.fed_g + row.other_g))} de farinha: ${list(parts)}.`;
};

export const costWords: typeof en.costWords = ({ cost, unpriced_g: rest }) => {
  if (cost <= 0) return "–";
  return rest >= 0.5 ? `${written(cost, 2)} e mais` : written(cost, 2);
};

export const monthName: typeof en.monthName = (month) => {
  const form = new Intl.DateTimeFormat(LOCALE, { month: "long", year: "numeric", timeZone: "UTC" });
  return form.format(Date.parse(`${month}-01`));
};
