/** A próxima coisa a fazer: uma frase para o quê e quando, outra para o como. */
import type { Move, NextMove, StepState } from "../../api/types";
import { grams } from "../../lib/numbers";
import { clock, dayWord, span, when } from "../../lib/time";
import type * as en from "../en/moves";
import { measure } from "../measured";
import { addedWords, keptWords } from "./measure";
import { sightWords } from "./sights";
import { amount } from "./tasks";

type Sentence = { readonly what: string; readonly how: string };
type Told = Parameters<typeof en.nextMove>[0];

/** O que entra num refresco e o que fica: `Guarde 30 g, junte 30 g de água e 30 g de espelta.` */
function weights({ plan, scale_walk: walk, do: tasks }: NextMove, then = ""): string {
  if (!plan) return "";
  const hand = plan.by_hand;
  const said = (text: string) => (then ? then + text.charAt(0).toLowerCase() + text.slice(1) : text);
  if (tasks.some((task) => task.do === "put_in"))
    return said(`${measure(plan.keep_g, hand?.keep)} da cultura, ${addedWords(plan)}.`);
  if (plan.keep_g === 0) return said(`${addedWords(plan)}.`);
  if (tasks.some((task) => task.do === "keep_all")) return said(`Guarde tudo, junte ${addedWords(plan)}.`);
  const out = tasks.find((task) => task.do === "take_out");
  if (hand && out) return said(`Mexa, tire ${amount(out)}, junte ${addedWords(plan)}.`);
  const clean = tasks.some((task) => task.do === "clean_jar") ? " num frasco lavado" : "";
  const taken = walk.find((step) => step.do === "take_out");
  // Quem mede à mão não tem balança para ler.
  const shows =
    taken && !hand && !taken.from_zero
      ? ` (a balança mostra então ${grams(taken.scale_shows_g)}, com o frasco)`
      : "";
  return said(
    `Guarde ${keptWords(plan.keep_g, hand?.keep, hand?.keep_part)}${clean}${shows}, junte ${addedWords(plan)}.`,
  );
}

const later = ({ move }: Told) => !move.is_now;
const due = ({ move, now, zone }: Told) => when(move.due ?? now, now, zone);

const atAbout = ({ move, now, zone }: Told) =>
  `${dayWord(move.due ?? now, now, zone)}, por volta das ${clock(move.due ?? now, zone)}`;

/** Uma tarefa, conforme o ponto em que está: `verb` como em "Alimente Moth agora." */
function byState(verb: string, it: string): Record<StepState, (told: Told) => string> {
  return {
    done: ({ name }) => `${name} está feito.`,
    skipped: ({ name }) => `${name} foi saltado.`,
    not_yet: (told) => `Deixe ${told.name} em paz. ${it} ${due(told)}.`,
    waiting: (told) => `Espere com ${told.name}. ${it} quando ${sightWords(told.move.waits_for)}.`,
    due: (told) => (later(told) ? `${verb} ${told.name} ${atAbout(told)}.` : `${verb} ${told.name} agora.`),
    late: ({ name, move, now }) =>
      `${verb} ${name} agora. Vai ${span(Date.parse(now) - Date.parse(move.due ?? now))} atrasado, o que não faz mal.`,
    resting: ({ name }) => `${name} descansa no frigorífico. Não há nada a fazer.`,
    ahead: (told) => `${verb} ${told.name} ${due(told)}, e não antes.`,
  };
}

const FEED = byState("Alimente", "Alimente-o");
const STIR = byState("Mexa", "Mexa-o");

function place(act: string, then: string): (told: Told) => Sentence {
  return (told) => {
    const waits = told.move.state === "waiting" ? ` quando ${sightWords(told.move.waits_for)}` : "";
    const time = told.move.state === "not_yet" || later(told) ? ` ${due(told)}` : " agora";
    return { what: `${act.replace("{name}", told.name)}${waits || time}.`, how: then };
  };
}

const MOVE_WORDS: Record<Move, (told: Told) => Sentence> = {
  mix: (told) => ({
    what: later(told) ? `Misture ${told.name} ${due(told)}.` : `Misture ${told.name} agora.`,
    how: `No frasco limpo: ${weights(told.move)} Tampa pousada, nunca fechada.`,
  }),
  feed: (told) => {
    const { state } = told.move;
    const keep = weights(told.move, state === "not_yet" || state === "waiting" ? "Depois " : "");
    const look = state === "waiting" ? `Volte a olhar ${due(told)}. ` : "";
    return { what: FEED[state ?? "due"](told), how: look + keep };
  },
  stir: (told) => ({
    what: STIR[told.move.state ?? "due"](told),
    how: "Não junte nada, não tire nada. Assim apanha ar.",
  }),
  look: (told) => ({
    what: `Observe ${told.name} ${later(told) ? due(told) : "agora"}.`,
    how: "Meça, e anote o que vê.",
  }),
  to_fridge: place(
    "Ponha {name} no frigorífico",
    "Tampa pousada também ali. Abranda para cerca de um décimo.",
  ),
  to_counter: place("Tire {name} do frigorífico", "Alimenta-se depois de perder o pior do frio."),
  use: (told) => ({
    what: later(told)
      ? `Amasse o pão com ${told.name} ${due(told)}.`
      : `Amasse o pão com ${told.name} agora.`,
    how: `Tire ${grams(told.move.do.reduce((sum, one) => sum + (one.g ?? 0), 0))}. O que fica volta a ser alimentado em breve.`,
  }),
  rest: ({ name }) => ({
    what: `${name} descansa no frigorífico. Não há nada a fazer.`,
    how: "Líquido por cima é ali normal. Tire-o quando quiser continuar, ou planeie um pão.",
  }),
  bin: ({ name }) => ({
    what: `Deite fora ${name}, tudo.`,
    how: "Não raspe, não salve, não prove nem cheire de perto. Ate num saco, lave o frasco com água muito quente ou troque-o.",
  }),
  binned: ({ name }) => ({
    what: `${name} foi para o lixo.`,
    how: "O diário fica. Arrume-o quando já não precisar dele.",
  }),
  nothing: ({ name }) => ({
    what: `${name} não pede nada.`,
    how: "O diário fica. Arrume-o quando já não precisar dele.",
  }),
};

export const nextMove: typeof en.nextMove = (told) => MOVE_WORDS[told.move.move](told);

export const DEED_OF: typeof en.DEED_OF = {
  stir: { deed: "stirred", label: "Mexido" },
  to_fridge: { deed: "to_fridge", label: "Está no frigorífico" },
  to_counter: { deed: "to_counter", label: "Está cá fora" },
};

const SHORT: Record<Move, string> = {
  mix: "misturar",
  feed: "alimentar",
  stir: "mexer",
  look: "observar",
  to_fridge: "para o frigorífico",
  to_counter: "tirar",
  use: "amassar o pão",
  rest: "no frigorífico",
  bin: "deitar fora",
  binned: "no lixo",
  nothing: "em descanso",
};

export const shortMove: typeof en.shortMove = (move, now, zone) => {
  const act = SHORT[move.move];
  if (!move.state) return act;
  if (move.state === "late") return `${act} já, atrasado`;
  if (move.state === "resting") return act;
  if (move.state === "waiting") return `esperar, ver ${when(move.due ?? now, now, zone)}`;
  if (!move.due || (move.state === "due" && move.is_now)) return `${act} agora`;
  return `${act} ${when(move.due, now, zone)}`;
};

export const NORMAL_WORDS: typeof en.NORMAL_WORDS = {
  wetting: "Ainda nada para ver, ou um pouco de água por cima. É normal até amanhã.",
  early_rise:
    "Uma subida repentina e um cheiro estranho são normais agora. Vêm das primeiras bactérias e não está pronto, por mais alto que vá.",
  quiet: "Quieto e plano é normal agora. Está a azedar e a levedura ainda é pouca. Mantenha o ritmo.",
  waking:
    "Bolhinhas por todo o lado, depois uma subida que cresce de refresco para refresco. Bons cheiros: maçã, cerveja, iogurte.",
  growing:
    "Espere que dobre depois de cada refresco, cada vez mais cedo, com o topo em cúpula. Uma boa subida ainda não é hábito.",
  soured:
    "Pouco para ver; o sumo segura as primeiras bactérias, por isso não há falsa subida. Cheira a fruta.",
  slow_quiet: "Lento e quieto é normal nesta farinha. As bolhas vêm antes de qualquer subida.",
  soaking: "Incha e mexe-se sem grumos. Ainda nada sobe.",
  reviving: "Pouco ou nada para ver depois dos primeiros refrescos é normal. Acorda por dentro.",
  stirring: "Meia subida ao terceiro refresco, mais ao quarto: está a voltar.",
  rested: "O primeiro refresco depois do frio é lento, até ao dobro do costume.",
  lively: "Sobe em poucas horas, em cúpula, e volta a descer. Alimente no pico ou logo a seguir.",
};
