/** Um refresco na balança: cada gesto, o que um engano pede, o que se pergunta. */
import type { Flour, ScaleAct, ScaleStep } from "../../api/types";
import { forms } from "../../lib/forms";
import { grams, list, written } from "../../lib/numbers";
import { amountOf } from "../../lib/units";
import type * as en from "../en/weighing";
import type { Spoken } from "../spoken";
import { asTyped, capital } from "../typed";
import { FLOUR_WORDS } from "./flours";
import { partWords } from "./measure";
import { MOVES_LIKE } from "./tasks";

const ACT_WORDS: Record<ScaleAct, (much: string, step: ScaleStep) => string> = {
  pour_off: () => "Escorra o líquido de cima, ou misture-o",
  read_ph: () => "Mexa. Se tiver tiras, leia o pH",
  empty_jar: () => "Ponha o frasco vazio na balança",
  add_seed: (much) => `Passe ${much} do frasco antigo, à colher`,
  add_culture: (much) => `Ponha ${much} da cultura`,
  take_out: (much, { add_g: out }) => (out < 0 ? `Mexa, depois tire cerca de ${much}` : "Nada a tirar"),
  add_water: (much) => `Junte ${much} de água`,
  add_juice: (much) => `Junte ${much} de sumo`,
  add_flour: (much, { flour }) => `Junte ${much} de ${flour ? FLOUR_WORDS[flour] : "farinha"}`,
  add_salt: (much) => `Junte ${much} de sal`,
  add_held_back: (much) => `Junte dos outros ${much} de água`,
};

export const actWords: typeof en.actWords = (step, unit, sheet) => {
  const part = step.do === "take_out" && step.add_g < 0 ? partWords(sheet.plan.by_hand?.keep_part) : null;
  if (part) return `Mexa, depois tire até ficar cerca de ${part}`;
  return ACT_WORDS[step.do](amountOf(step, unit, sheet.g_per_oz), step);
};

type UnitChoice = ReturnType<typeof en.unitChoices>[number];
const IN_GRAMS: UnitChoice = { value: "g", label: "gramas" };
const OTHER_UNITS: readonly UnitChoice[] = [
  { value: "oz", label: "onças" },
  { value: "spoons", label: "colheres", hint: "menos exato" },
];

export const unitChoices: typeof en.unitChoices = () =>
  forms().mass === "g" ? [IN_GRAMS, ...OTHER_UNITS] : OTHER_UNITS;

export const STYLE_CHOICES: Spoken<typeof en.STYLE_CHOICES> = [
  { value: "in_the_jar", label: "Neste frasco" },
  { value: "clean_jar", label: "Num frasco lavado" },
  { value: "keeps_all", label: "Não tirar nada" },
];

export const DISCARD_CHOICES: Spoken<typeof en.DISCARD_CHOICES> = [
  { value: "compost", label: "Composto" },
  { value: "bin", label: "Lixo" },
  { value: "jar", label: "Frasco do descarte", hint: "coza-o bem" },
];

export const fieldLabel: typeof en.fieldLabel = (field, planned, flourName) => {
  const names = { keep: "Guardado", water: "Água", held: "Do retido entrou" };
  const what = field.of === "flour" ? capital(flourName(field.flour)) : names[field.of];
  return { label: `${what}, se não ${planned}` };
};

export const farOffWords: typeof en.farOffWords = (off, typed, sheet) => {
  const kept = sheet.scale_walk.find(({ corrects }) => corrects === "seed")?.brings_g ?? sheet.plan.keep_g;
  const said = off.map((what) => {
    const flour = sheet.plan.flours.find((part) => part.flour === what);
    if (flour)
      return `${asTyped(typed.flours[flour.flour as Flour])} de ${FLOUR_WORDS[flour.flour]} em vez de ${grams(flour.g)}`;
    return what === "water"
      ? `${asTyped(typed.water)} de água em vez de ${grams(sheet.plan.water_g)}`
      : `${asTyped(typed.keep)} guardados em vez de ${grams(kept)}`;
  });
  return `${capital(list(said))}. Está longe do plano; se é assim, fica assim.`;
};

export const actHint: typeof en.actHint = (step, sheet) => {
  const hand = sheet.plan.by_hand;
  if (step.do === "take_out") return hand ? "Do que sai trata-se no fim." : takeOutHint(step);
  if (step.do === "add_held_back") {
    const thick = sheet.until_thickness;
    return `Uma colherada de cada vez, a mexer, até se mover como ${thick ? MOVES_LIKE[thick] : "dantes"}. O que não precisar fica de fora.`;
  }
  if (step.do === "empty_jar" && sheet.tare_g === null)
    return "Limpo e seco, sem tampa. Escreva o que pesa, ou ponha a balança a zero.";
  if (step.do !== "add_water") return ACT_HINTS[step.do];
  if (sheet.plan.flours.length === 0) return "Quando muito morna. Fica de molho; ainda sem farinha.";
  if (sheet.plan.keep_g === 0) return "Para o frasco limpo, e depois a farinha por cima.";
  return sheet.scale_walk.some((one) => one.do === "add_culture")
    ? "Por cima da cultura. Mexa até se soltar."
    : ACT_HINTS.add_water;
};

export const ratioWords: typeof en.ratioWords = (ratio) => {
  const [seed, flour] = ratio.split(":").map(Number);
  if (flour === 0) return "demolhado";
  return seed === 0 ? "primeira mistura" : ratio;
};

export const roundWords: typeof en.roundWords = (ratio) => {
  const said = ratioWords(ratio);
  return said === ratio ? `Refresco ${ratio}` : capital(said);
};

function takeOutHint({ from_zero: zero }: ScaleStep): string {
  return zero
    ? "Ponha o frasco na balança e primeiro a zero. Tire até mostrar isto, com o sinal de menos."
    : ACT_HINTS.take_out;
}

const ACT_HINTS: Record<ScaleAct, string> = {
  pour_off: "Escorra para ficar mais suave e espesso; misture para ficar mais ácido.",
  read_ph: "Sem tiras, siga em frente.",
  add_held_back: "",
  empty_jar: "Limpo e seco, sem tampa.",
  add_seed: "Do meio; o resto vai para o composto ou para o lixo.",
  add_culture: "Desfaça-a ou solte-a.",
  take_out: "Até a balança mostrar isto; do que sai trata-se no fim.",
  add_water: "Solte nela o que guardou.",
  add_juice: "Sem açúcar, à temperatura da cozinha.",
  add_flour: "Mexa até não haver farinha seca.",
  add_salt: "Misture-o.",
};

export const mendWords: typeof en.mendWords = (mend, flourIsIn, overfills = null) => {
  if (mend.worth_it && overfills) {
    const until = overfills.backTo === null ? "" : ` até a balança mostrar ${grams(overfills.backTo)}`;
    return flourIsIn
      ? `Acertar isso enchia demais este frasco. Tire à colher o que ainda não está mexido${until}; ou vire tudo para uma taça e pese este refresco de novo.`
      : `Acertar isso enchia demais este frasco. Volte a escorrer água${until}.`;
  }
  if (!mend.worth_it) return `${mend.ratio_as_is} como está. Está perto o bastante; deixe ficar.`;
  const more = flourIsIn ? "mais " : "";
  const adds = [];
  if (mend.add_water_g > 0) adds.push(`${more}${grams(mend.add_water_g)} de água`);
  if (mend.add_flour_g > 0) adds.push(`${more}${grams(mend.add_flour_g)} de farinha`);
  const cost = mend.extra_g > 0 ? ` Ao todo, ${grams(mend.extra_g)} mais do que o planeado.` : "";
  return `${flourIsIn ? "Junte" : "Depois junte"} ${list(adds)} para ficar certo.${cost}`;
};

export const roomWords: typeof en.roomWords = (sheet) =>
  sheet.room_is_tight
    ? `Este frasco só tem espaço para ${written(sheet.room_times, 1)} ×. Ponha um prato por baixo, ou use um maior.`
    : null;
