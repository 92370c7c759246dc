/** O frasco do descarte e as contas da farinha. */
import type { DiscardAct, Flour } from "../../api/types";
import { forms, KG_PER_LB } from "../../lib/forms";
import { LOCALE } from "../../lib/locale";
import { grams, list, written } from "../../lib/numbers";
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
  byWhat: "Segundo o quê",
  lineByLine: "Linha a linha; desliza para os lados",
  seeIt: "O frasco do descarte",
  seeTheFlour: "Para onde foi a farinha",
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
