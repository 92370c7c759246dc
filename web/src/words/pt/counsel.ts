/** Conselhos e cautelas: o que mudar, porquê, e o que seria o plano com isso. */
import type { About, Advice, SignCode } from "../../api/types";
import { degreesSpan, grams } from "../../lib/numbers";
import { when } from "../../lib/time";
import type * as en from "../en/counsel";
import { ASKED_NAMES, SIGN_NAMES } from "./judging";
import { addedWords, keptWords } from "./measure";

export type { Told } from "../en/counsel";

const feeds = (count: number) => (count === 1 ? "no próximo refresco" : `nos próximos ${count} refrescos`);

const ADVICE_WORDS: Record<Advice, (count: number) => string> = {
  feed_now: () => "Alimente-o já",
  hold_off: () => "Adie meio dia o próximo refresco",
  more_often: (count) => `Alimente duas vezes mais vezes ${feeds(count)}`,
  less_often: (count) => `Deixe passar mais metade do tempo ${feeds(count)}`,
  larger_feed: (count) => `Guarde metade para a mesma farinha ${feeds(count)}`,
  smaller_feed: (count) => `Guarde o dobro para a mesma farinha ${feeds(count)}`,
  whole_flour: (count) => `Faça um quarto da farinha de centeio integral ${feeds(count)}`,
  thicker: (count) => `Junte menos um sexto da água ${feeds(count)}`,
  clean_jar: () => "Da próxima vez passe-o para um frasco lavado",
  skip_discard: () => "No próximo refresco não tire nada",
  warmer_place: () => `Procure-lhe um sítio a ${degreesSpan(24, 26)}`,
  cooler_place: () => "Mude-o já para um sítio mais fresco",
  set_spare: () => "Ponha uma reserva de lado: uma colherada, alimentada, num frasco seu no frigorífico",
};

export const ADVICE_NAMES: typeof en.ADVICE_NAMES = {
  feed_now: "alimentar já",
  hold_off: "adiar o refresco",
  more_often: "alimentar mais vezes",
  less_often: "alimentar menos vezes",
  larger_feed: "refrescos maiores",
  smaller_feed: "refrescos menores",
  whole_flour: "um pouco de centeio integral",
  thicker: "menos água",
  clean_jar: "um frasco lavado",
  skip_discard: "uma vez sem descarte",
  warmer_place: "um sítio mais quente",
  cooler_place: "um sítio mais fresco",
  set_spare: "uma reserva de lado",
};

export const YES_WORDS: typeof en.YES_WORDS = {
  warmer_place: "Já o mudei",
  cooler_place: "Já o mudei",
  set_spare: "Pôr uma de lado",
};

export const counselWords: typeof en.counselWords = (one, now, zone) => {
  const why = one.because ? `Porque: ${SIGN_NAMES[one.because]}.` : "Está pronto, e uma reserva é um seguro.";
  const { due, plan, answer } = one;
  const water = plan ? plan.water_g + plan.juice_g : 0;
  const flour = plan ? plan.flours.reduce((sum, part) => sum + part.g, 0) : 0;
  const then =
    due && plan && answer !== "followed"
      ? `A seguir, ${Date.parse(due) > Date.parse(now) ? when(due, now, zone) : "já"}: guarde ${keptWords(plan.keep_g, plan.by_hand?.keep, plan.by_hand?.keep_part)}, junte ${plan.by_hand ? addedWords(plan) : `${grams(water)} de água e ${grams(flour)} de farinha`}.`
      : null;
  return { what: `${ADVICE_WORDS[one.advice](Math.max(1, one.feeds))}.`, why, then };
};

function isSign(about: About): about is SignCode {
  return about in SIGN_NAMES;
}

export const wordLine: typeof en.wordLine = ({ about, yes }) => {
  if (about === "ready") return yes ? "está pronto" : "não está pronto";
  if (isSign(about)) return `${yes ? "é assim" : "não é assim"}: ${ASKED_NAMES[about] ?? SIGN_NAMES[about]}`;
  return `${yes ? "sim" : "não"} ao conselho: ${ADVICE_NAMES[about]}`;
};

export const NOTICE_WORDS: typeof en.NOTICE_WORDS = {
  raw_flour:
    "Farinha crua e massa-mãe crua não são para provar: podem trazer micróbios. Lave as mãos depois de lhes mexer.",
  never_seal:
    "Nunca feche o frasco de todo. Faz gás, e um frasco fechado pode rebentar. Pano, papel ou tampa pousada.",
  holds_gluten:
    "Trigo, centeio, cevada e espelta têm glúten e são alergénios. Uma fermentação longa não os torna seguros para quem tem doença celíaca ou alergia ao trigo; pergunte ao médico.",
  gluten_free_tools:
    "Sem glúten, é preciso frasco, colher e pano próprios. O amido de trigo sem glúten não serve para alergia ao trigo; pergunte ao médico.",
  warm_place:
    "Uma caixa quente, ou um forno só com a luz acesa, pode aquecer demais. Veja primeiro um termómetro, e ponha um aviso na porta do forno.",
  discard_not_food: "O que tira agora ainda não é comida. Composto ou lixo.",
  cook_discard:
    "A partir de agora o descarte pode guardar-se no frigorífico, tapado e com etiqueta. Coza-o bem; nunca o coma cru.",
  for_whom_you_bake:
    "Para pessoas com defesas fracas, e para pão que vende, estão primeiro as regras locais e o conselho de quem tem licença para o dar.",
};
