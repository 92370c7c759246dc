/** Famílias de métodos, as suas opções e escolhas, em palavras de padeiro. */
import { fromTo, grams, written } from "../../lib/numbers";
import type * as en from "../en/methods";

export const FAMILY_WORDS: typeof en.FAMILY_WORDS = {
  equal_parts: {
    label: "Partes iguais pelo relógio",
    hint: "A maneira comum: massa-mãe, farinha e água em partes iguais, uma ou duas vezes por dia.",
  },
  wet_rye: { label: "Centeio molhado", hint: "Centeio integral e muita água. O mais rápido dos do costume." },
  on_signs: {
    label: "Alimentar pelos sinais",
    hint: "Olhar todos os dias, alimentar só quando mostra vida.",
  },
  when_hungry: {
    label: "Só quando tem fome",
    hint: "Um frasco muito pequeno. Pouca farinha, pouco desperdício; para cozinhas frescas.",
  },
  acid_start: {
    label: "Começo ácido",
    hint: "Primeiro sumo de ananás sem açúcar. Salta a falsa subida.",
  },
  small_seed: {
    label: "Pouca massa-mãe, grande refeição",
    hint: "Guarda-se pouco, junta-se muito, uma vez por dia.",
  },
  spoons: {
    label: "Colheres e régua",
    hint: "Sem balança. Mede-se a altura e o pH; bom com crianças.",
  },
  by_feel: { label: "A olho", hint: "Chávenas e vara de arames, a espessura a olho." },
  slow_build: {
    label: "Aumento lento",
    hint: "Nada sai durante quatro dias. Também para farinha sem glúten.",
  },
  stiff_warm: {
    label: "Firme e quente",
    hint: "Uma massa com sal numa caixa quente, dois dias e meio.",
  },
  dried_soak: { label: "Demolhar, depois pesar", hint: "Lascas em água três horas, depois farinha." },
  dried_spoons: { label: "Demolhar, às colheres", hint: "Uma saqueta, e o dobro de cada vez." },
  wake_and_keep: {
    label: "Acordar, aumentar, manter",
    hint: "Para o que dorme, e para o que já está feito.",
  },
};

export const PICK_WORDS: typeof en.PICK_WORDS = {
  from_flour: { label: "farinha e água" },
  from_frozen: { label: "uma pitada congelada" },
  never: { label: "nunca" },
  day_3: { label: "dia 3" },
  day_4: { label: "dia 4" },
  feed_from_day_2: { label: "alimentar desde o dia 2" },
  rest_then_top_up: { label: "mexer, depois acrescentar", hint: "dia 2 só mexido, dia 3 sem tirar nada" },
  keep_weight: { label: "um peso certo" },
  keep_half: { label: "metade" },
  half_then_quarter: { label: "metade, mais tarde um quarto" },
  same_jar: { label: "o mesmo frasco" },
  clean_jar: { label: "um frasco lavado de cada vez" },
  short: { label: "curso curto", hint: "sempre centeio" },
  long: { label: "curso longo", hint: "metade branca desde o dia 3" },
  daily_juice: { label: "sumo por dois dias", hint: "em onças" },
  stir_and_wait: { label: "mexer até fazer espuma", hint: "em chávenas" },
  spoonful_a_day: { label: "uma colherada por dia" },
  thicken: { label: "mais cada dia, sempre espesso" },
  refill: { label: "metade fora, voltar a encher" },
  build_up: { label: "aumentar, nada fora" },
  refresh: { label: "refrescar todos os dias", hint: "num frasco lavado" },
  build: { label: "acordar, depois aumentar", hint: "para um pão" },
  equal_feeds: { label: "três refrescos iguais" },
  counter: { label: "manter na bancada" },
  counter_and_cold: { label: "meio dia no frigorífico", hint: "para cozinhas quentes" },
  fridge: { label: "manter no frigorífico", hint: "alimentado uma vez por semana" },
};

export const SCALE_UNITS: typeof en.SCALE_UNITS = {
  grams: "g",
  hours: "h",
  percent: "%",
  parts: "partes",
  days: "d",
};

export const rangeWords: typeof en.rangeWords = (least, most, scale) =>
  scale === "grams"
    ? `${fromTo(grams(least), grams(most))}.`
    : `${fromTo(written(least), written(most))} ${SCALE_UNITS[scale]}.`;

export const THING_WORDS: typeof en.THING_WORDS = {
  scale: "uma balança",
  spoons: "colheres e chávenas",
  ruler: "uma régua",
  ph_strips: "tiras de pH",
  juice: "sumo sem açúcar",
  warm_place: "um sítio quente e constante",
  second_jar: "um segundo frasco",
  fridge: "um frigorífico",
  salt: "sal",
  culture: "a cultura",
};

export const REASON_WORDS: typeof en.REASON_WORDS = {
  soonest: "o mais rápido",
  least_flour: "menos farinha",
  least_discard: "menos desperdício",
  least_work: "menos trabalho",
  no_scale: "sem balança",
  needs_scale: "precisa de balança",
  too_cold: "feito para sítio mais quente",
  slow_flour: "lento com esta farinha",
  seldom_ready: "raramente dobra a tempo",
};

export const sizeWords: typeof en.sizeWords = (size) => {
  const words: Record<string, string> = { "1": "como o método diz", "2": "o dobro" };
  return words[String(size)] ?? SHARES[String(size)] ?? `${written(size)} vezes`;
};

const SHARES: Record<string, string> = {
  "0.5": "metade",
  "0.25": "um quarto",
  "0.125": "um oitavo",
};

export const shareWords: typeof en.shareWords = (share) => {
  const said = SHARES[String(share)] ?? `${Math.round(share * 100)} %`;
  return `${said.charAt(0).toUpperCase()}${said.slice(1)}`;
};
