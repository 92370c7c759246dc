/** A linha rápida: que palavras querem dizer o quê, e o que se diz do que se percebeu. */
import { grams, list } from "../../lib/numbers";
import type * as en from "../en/quick";
import type { Spoken } from "../spoken";
import { flourList } from "./flours";

export const quickText: Spoken<typeof en.quickText> = {
  inALine: "Numa linha",
  example: "1,8x cúpula maçã · dei 30 30 30",
  keepIt: "Guardar",
  notUnderstood: (words) => `Não percebido, fica como nota: ${words}`,
  writeSuchAs: "Escreva o que viu (um nível, palavras), ou dei e o que guardou, a farinha, a água.",
};

export const FED_WORDS: typeof en.FED_WORDS = ["dei", "alimentei", "refresco"];
export const TIMES_SIGNS: typeof en.TIMES_SIGNS = ["x", "×", "vezes"];

export const SEEN_WORDS: typeof en.SEEN_WORDS = [
  { says: ["plano", "liso"], top: "flat" },
  { says: ["cúpula", "cupula", "abobada", "abóbada"], top: "domed" },
  { says: ["afundado", "descido", "caído"], top: "sunken" },
  { says: ["líquido", "liquido"], top: "liquid" },
  { says: ["pele", "crosta"], top: "skin" },
  { says: ["película", "pelicula"], top: "white_film" },
  { says: ["bolor", "felpudo"], top: "fuzzy_spots" },
  { says: ["rosa", "laranja", "riscos"], top: "coloured_streaks" },
  { says: ["farinha"], smell: "floury" },
  { says: ["queijo", "meias"], smell: "cheesy" },
  { says: ["iogurte"], smell: "yoghurt" },
  { says: ["maçã", "maca", "fruta"], smell: "fruity" },
  { says: ["cerveja", "levedura"], smell: "beery" },
  { says: ["azedo", "vinagre"], smell: "sharp" },
  { says: ["verniz", "acetona"], smell: "nail_varnish" },
  { says: ["podre"], smell: "putrid" },
  { says: ["parado"], bubbles: "none" },
  { says: ["poucas", "algumas"], bubbles: "few" },
  { says: ["bolhas"], bubbles: "throughout" },
  { says: ["espuma"], bubbles: "froth" },
  { says: ["líquida", "liquida", "escorre"], thickness: "runny" },
  { says: ["pasta"], thickness: "toothpaste" },
  { says: ["firme"], thickness: "putty" },
  { says: ["flutua"], floats: true },
  { says: ["afunda"], floats: false },
];

export const JOINING: typeof en.JOINING = new Set([
  "e", "a", "o", "as", "os", "de", "em", "com", "cheira", "por", "cima", "está", "um", "uma",
]); // biome-ignore format: one line of them

/** `guardei 30 g, 20 g de espelta e 10 g de centeio integral, 30 g de água` */
export const fedLine: typeof en.fedLine = (feed) =>
  list([`ficaram ${grams(feed.keep_g)}`, flourList(feed.flours), `${grams(feed.water_g)} de água`]);
