/** Coisas do costume numa cozinha, pelo nome. */
import type * as en from "../en/usual";
import type { Spoken } from "../spoken";

export const GLASS_WORDS: typeof en.GLASS_WORDS = {
  small: "pequeno",
  usual: "normal",
  large: "grande",
  tall: "alto",
};

export const PLACE_WORDS: typeof en.PLACE_WORDS = {
  cool_room: "uma divisão fresca",
  kitchen: "a cozinha",
  fridge_top: "em cima do frigorífico",
  warm_box: "uma caixa quente",
};

/** Quanto um frasco é mais largo no bordo do que no fundo: chega para lhe ler um nível. */
export const SHAPE_WORDS: Spoken<typeof en.SHAPE_WORDS> = [
  { value: "1", label: "direito" },
  { value: "1.2", label: "abre um pouco", hint: "um quinto mais largo no bordo" },
  { value: "1.4", label: "abre muito", hint: "como uma taça" },
  { value: "0.85", label: "estreita", hint: "no bordo" },
];

/** Um nome, até o padeiro ter melhor. */
export const JAR_NAMES: typeof en.JAR_NAMES = [
  "Seixo",
  "Silvado",
  "Chaleira",
  "Sapal",
  "Barrote",
  "Trevo",
  "Beiral",
  "Brasa",
  "Rego",
  "Carriça",
];
