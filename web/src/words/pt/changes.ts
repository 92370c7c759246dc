/** O que mexeu no plano, ou saiu diferente do planeado, numa frase. */
import type { Advice, ChangeCode, Flour, PlanChange } from "../../api/types";
import { degrees, grams, written } from "../../lib/numbers";
import { span, when } from "../../lib/time";
import type * as en from "../en/changes";
import { ADVICE_NAMES } from "./counsel";
import { FLOUR_WORDS } from "./flours";

type Facts = PlanChange["facts"];
const HOUR = 3_600_000;

const hours = (facts: Facts) => span(Number(facts.hours) * HOUR);
const g = (value: Facts[string] | undefined) => grams(Number(value));

const flours = (facts: Facts) =>
  String(facts.flours)
    .split(", ")
    .map((flour) => FLOUR_WORDS[flour as Flour] ?? flour)
    .join(", ");

const WORDS: Record<ChangeCode, (facts: Facts) => string> = {
  late: (facts) => `Alimentado ${hours(facts)} mais tarde. Os seguintes acertam.`,
  early: (facts) => `Alimentado ${hours(facts)} mais cedo. O seguinte mantém a hora.`,
  missed: (facts) =>
    `${facts.feeds === 1 ? "Falhou um refresco" : `Falharam ${facts.feeds} refrescos`}. Nada se perde; o ritmo continua.`,
  extra_feed: (facts) => `Alimentado outra vez passadas ${hours(facts)}. Conta como um só com o de antes.`,
  skipped: () => "Saltado. O plano segue com o próximo.",
  left_alone: (facts) => `Deixado em paz por ${hours(facts)}. Nada se pede antes.`,
  kept_other: (facts) => `Ficaram ${g(facts.kept_g)} em vez de ${g(facts.planned_g)}.`,
  other_amounts: (facts) =>
    `Entraram ${g(facts.flour_g)} de farinha e ${g(facts.water_g)} de água em vez de ${g(facts.planned_flour_g)} e ${g(facts.planned_water_g)}.`,
  half_done: (facts) =>
    `Só entrou parte: ${g(facts.flour_short_g)} de farinha e ${g(facts.water_short_g)} de água a menos. O próximo refresco vem mais cedo.`,
  other_flour: (facts) => `Entrou outra farinha: ${g(facts.g)} de ${flours(facts)}.`,
  sign_early: (facts) => `O sinal veio ${hours(facts)} mais cedo do que o costume.`,
  sign_overdue: (facts) =>
    `O sinal vai ${hours(facts)} mais tarde do que o costume. Continua à espera; é lento, não está morto.`,
  stage_longer: () => "Esta parte demora mais do que o costume. Segue até se ver o sinal.",
  in_the_cold: (facts) =>
    `No frigorífico por ${hours(facts)}, o que conta pouco. O próximo refresco espera por isso.`,
  moved_into_hours: (facts) => `Mudado ${hours(facts)} para as suas horas.`,
  no_room_in_hours: () => "As suas horas não deixam lugar na melhor altura. Fica o mais perto que pode.",
  moved: (facts) => `Daí em diante está a ${degrees(facts.celsius ?? 0)}.`,
  other_jar: (facts) => `Passou para outro frasco, de ${facts.ml} ml.`,
  new_flour: (facts) => `Daí em diante alimentado com ${flours(facts)}.`,
  new_rhythm: (facts) =>
    `Daí em diante alimentado de ${written(Number(facts.hours))} em ${written(Number(facts.hours))} horas.`,
  new_amount: () => "Daí em diante com outras quantidades.",
  new_way: () => "Daí em diante segue outro método.",
  new_hours: () => "As suas horas mudaram.",
  bake_planned: (facts) => `Planeou-se um pão com ${g(facts.g)}.`,
  bake_missed: (facts) => `O pão com ${g(facts.g)} não se amassou. O que ficou segue o plano.`,
  used: (facts) => `Usaram-se ${g(facts.g)}.`,
  put_back: (facts) => `Voltaram lá para dentro ${g(facts.g)}.`,
  advice_taken: (facts) => `Seguiu um conselho: ${ADVICE_NAMES[facts.advice as Advice] ?? facts.advice}.`,
};

export const changeLine: typeof en.changeLine = (change, now, zone) =>
  `${when(change.at, now, zone)}: ${WORDS[change.code](change.facts)}`;
