/** Os juízos em palavras: a fase, os sinais encontrados, pronto ou não e porquê. */
import type {
  Attempt,
  Caution,
  Question,
  Readiness,
  ReadyStep,
  Remedy,
  Settles,
  SignCode,
  Stage,
  StepCode,
} from "../../api/types";
import { counted, degrees, degreesSpan } from "../../lib/numbers";
import { span, when } from "../../lib/time";
import type * as en from "../en/judging";

export const STAGE_NAMES: typeof en.STAGE_NAMES = {
  sown: "Semeado",
  false_dawn: "Falsa aurora",
  hush: "Silêncio",
  stirring: "A despontar",
  awake: "Desperto",
  steady: "Firme",
  resting: "Em descanso",
  binned: "No lixo",
};

const STAGE_WORDS: Record<Stage, string> = {
  sown: "ainda nada para ver",
  false_dawn: "uma subida das primeiras bactérias, não da levedura",
  hush: "os dias quietos antes de a levedura se mostrar",
  stirring: "a levedura começa a mostrar-se",
  awake: "dobra, embora ainda não por hábito",
  steady: "dobra por hábito",
  resting: "ao frio",
  binned: "acabado",
};

const SETTLES_WORDS: Record<Settles, string> = {
  look_at_its_peak: "Uma observação perto do pico dizia mais.",
  look_this_evening: "Há um dia que ninguém olha; uma observação esclarecia.",
  read_a_level: "Ultimamente ninguém leu o nível; uma observação com nível esclarecia.",
  note_the_smell: "O cheiro dizia mais.",
};

export const stageLine: typeof en.stageLine = (
  { stage, likely_only: likelyOnly, asks, settles, settles_at: at },
  now,
  zone,
  risesNoMore = false,
) => {
  if (risesNoMore) return "Quieto outra vez: já subiu, e agora não.";
  const name = likelyOnly ? `Talvez ${STAGE_NAMES[stage].toLowerCase()}` : STAGE_NAMES[stage];
  const hour =
    settles === "look_at_its_peak" && at
      ? `Uma observação por volta de ${when(at, now, zone)} dizia mais.`
      : "";
  const more = settles && asks ? ` ${hour || SETTLES_WORDS[settles]}` : "";
  return `${name}: ${STAGE_WORDS[stage]}.${more}`;
};

export const SIGN_WORDS: Record<SignCode, string> = {
  mould: "Isto é bolor ou estrago. Vai mais fundo do que se vê.",
  spoiled: "Um cheiro podre tão tarde é estrago, não é uma fase.",
  get too_hot() {
    return `Está num sítio quente demais. Acima de ${degrees(38)} faz-lhe mal.`;
  },
  get stood_too_hot() {
    return `Esteve acima de ${degrees(42)}: a levedura pode ter morrido.`;
  },
  film: "Uma película fina e branca é levedura selvagem à superfície: não faz mal, mas não é bem-vinda.",
  hungry_liquid: "Líquido por cima: tem fome.",
  starving_smell: "Cheiro a verniz das unhas: está esfomeado.",
  hungry_again: "Subiu e voltou a descer: com fome antes do próximo refresco.",
  rises_no_more: "Já subiu, e agora não sobe.",
  lessening: "Sobe menos de refresco para refresco.",
  unfed_warm: "Esteve dias ao calor sem refresco: tem fome, mostre o que mostrar.",
  forgotten: "Um refresco ficou por fazer. Aguenta isso bem.",
  overflow: "Chegou ao bordo.",
  dry_skin: "Uma pele seca por cima: perdeu água para o ar.",
  bubbles_no_rise: "Bolhas mas sem subida: água a mais, ou glúten a menos, para segurar o gás.",
  cold_kitchen: "Está num sítio fresco. É lento, não está morto.",
  false_dawn: "Esta subida vem das primeiras bactérias. Não está pronto, por mais alto que vá.",
  settling_liquid: "Água por cima tão cedo é só a mistura a assentar.",
  nothing_yet: "Ainda sem bolhas: frio, uma farinha fraca, ou simplesmente cedo.",
  quiet_days: "Quieto é normal agora. Já azedou, e a levedura ainda é pouca.",
  slow_to_wake: "Mais de uma semana, e ainda plano. Acontece, e ainda vem.",
  other_warmth: "Porta-se como se estivesse a outra temperatura do que disse.",
  raised_cold: "No frigorífico um frasco novo só fica mais lento.",
  bakers_yeast:
    "Agora é fermento de padeiro que o levanta. Isso nada diz da levedura dele, e um frasco ácido perde-o em alguns dias.",
  sweetened: "Açúcar, mel ou fruta nunca são precisos; também alimentam as bactérias. Não fez mal.",
  early_smell: "Um cheiro assim é normal tão cedo. Vem das primeiras bactérias e passa.",
  diluted: "Está a ser diluído: alimentado mais do que a pouca levedura acompanha.",
  thriving: "Em pleno: cúpula, e bolhas por todo o lado. O pico está perto.",
  smell_turned: "O cheiro tornou-se agradável: as primeiras bactérias foram-se, e segue-se a levedura.",
  resting_liquid:
    "Líquido por cima é normal no frigorífico, de cinzento a castanho-escuro. Escorre-se antes do próximo refresco.",
  rested_long: "Mais de um mês sem refresco. Vive mais do que isso, mas quer acordar aos poucos.",
};

export const REMEDY_WORDS: Record<Remedy, string> = {
  bin_all: "Tudo para o lixo.",
  move_cooler: "Mude-o já para um sítio mais fresco.",
  cooler_spot: "Num sítio mais fresco cada refresco dura mais.",
  get move_warmer() {
    return `Ajuda um sítio a ${degreesSpan(24, 26)}.`;
  },
  lift_off: "Levante-a e use o que está por baixo.",
  cover_better: "Tape-o melhor: uma tampa pousada, ou película com um furo.",
  look_first: "Primeiro procure película e líquido.",
  fresh_jar: "Alimente-o num frasco lavado.",
  pour_off: "Escorra para ficar mais suave, misture para ficar mais ácido.",
  stir_in: "Misture-o.",
  feed_now: "Alimente-o agora.",
  feed_sooner: "Alimente mais cedo, por exemplo duas vezes por dia.",
  feed_larger: "Ajuda também dar mais para o que guarda.",
  feed_at_peak: "Alimente no pico ou logo a seguir, não antes.",
  smaller_ratio: "Guarde mais dele em cada refresco.",
  add_whole_flour: "Faça de um décimo a metade da farinha de centeio ou trigo integral.",
  bigger_jar: "Use um frasco maior ou menos mistura, e ponha um prato por baixo.",
  feed_less_often: "Deixe passar mais tempo entre refrescos.",
  skip_discard: "Uma vez, não tire nada.",
  less_water: "Da próxima vez junte um pouco menos de água.",
  by_its_bubbles: "Julgue-o pelas bolhas e pelo cheiro.",
  back_to_warm: "Volte a pô-lo ao calor até dobrar.",
  other_flour_and_water:
    "Dê-lhe farinha não branqueada, e água filtrada ou que ficou destapada de um dia para o outro: ficar destapada leva o cloro, as cloraminas só um filtro.",
  tell_warmth: "Ponha um termómetro ao lado por um dia, ou diga onde está mesmo.",
  get test_feeds() {
    return `Dê-lhe partes iguais a ${degreesSpan(24, 26)}, duas vezes, com um dia pelo meio: bolhas mostram que vive. Se depois disso não houver nenhuma: comece de novo.`;
  },
  keep_to_plan: "Siga o plano.",
  stir: "Mexa-o; assim apanha ar.",
  wait: "Dê-lhe tempo.",
  get think_back() {
    return `Pense no que houve: uma hora acima de ${degrees(40)} (a luz do forno), farinha branqueada ou outra, água com cloro, sal, dias sem refresco. Dois refrescos com aquilo em que subia antes, num sítio quente, mostram se vive.`;
  },
  wake_slowly: "Escorra, depois dê partes iguais uma vez por dia durante uns três dias, até dobrar a tempo.",
};

const CAUTION_WORDS: Record<Caution, string> = {
  do_not_scrape: "Não a raspe nem salve o resto.",
  do_not_taste: "Não o prove.",
  do_not_use_yet: "Ainda não faça pão com ele.",
  do_not_give_up: "Não desista dele.",
  do_not_feed_more: "Não o alimente mais vezes: isso dilui a pouca levedura.",
  do_not_seal: "Nunca feche a tampa de todo.",
  do_not_leave_there: "Não o deixe lá; ponha um aviso no forno.",
};

const QUESTION_WORDS: Record<Question, string> = {
  is_it_fuzzy_or_coloured: "É felpudo, em relevo ou tem cor? Então é bolor, e vai tudo.",
  does_it_still_smell_so: "Ainda cheira a podre depois do quinto dia? Então estragou-se, e vai tudo.",
  stands_it_elsewhere: "Está mais fresco ou mais quente do que disse?",
  is_it_flour_or_water: "A farinha é branqueada, ou a água tem cloro? Qualquer um segura a levedura.",
};

export const findingLine: typeof en.findingLine = (finding, now, zone) =>
  `${SIGN_WORDS[finding.sign]} Visto ${when(finding.seen_at, now, zone)}.`;

export const SIGN_NAMES: typeof en.SIGN_NAMES = {
  mould: "bolor",
  spoiled: "um cheiro podre",
  too_hot: "está quente demais",
  stood_too_hot: "esteve quente demais",
  film: "uma película de levedura selvagem",
  hungry_liquid: "o líquido por cima: tem fome",
  starving_smell: "o cheiro a verniz das unhas: está esfomeado",
  hungry_again: "subiu e desceu antes do refresco",
  rises_no_more: "já subiu e agora não",
  lessening: "sobe menos de refresco para refresco",
  unfed_warm: "dias ao calor sem refresco",
  forgotten: "um refresco ficou por fazer",
  overflow: "chegou ao bordo",
  dry_skin: "uma pele seca",
  bubbles_no_rise: "faz bolhas mas não sobe",
  cold_kitchen: "está num sítio fresco",
  false_dawn: "uma subida precoce",
  settling_liquid: "água por cima",
  nothing_yet: "ainda nada mexe nele",
  quiet_days: "os dias quietos",
  slow_to_wake: "demora a acordar",
  other_warmth: "a temperatura em que parece estar",
  raised_cold: "está ao frio cedo demais",
  bakers_yeast: "o fermento de padeiro que tem",
  sweetened: "o açúcar que tem",
  early_smell: "um cheiro dos primeiros dias",
  diluted: "está a ser diluído",
  thriving: "está em pleno",
  smell_turned: "o cheiro mudou",
  resting_liquid: "líquido por cima no frigorífico",
  rested_long: "um descanso longo",
};

export const ASKED_NAMES: typeof en.ASKED_NAMES = {
  slow_to_wake: "a farinha ou a água segura-o",
  other_warmth: "está noutro sítio do que disse",
};

export const adviceLine: typeof en.adviceLine = ({ do: remedies, dont }) =>
  [...remedies.map((remedy) => REMEDY_WORDS[remedy]), ...dont.map((caution) => CAUTION_WORDS[caution])].join(
    " ",
  );

export const signNote: typeof en.signNote = (finding) => ({
  grave: GRAVE[finding.urgency],
  meaning: SIGN_WORDS[finding.sign],
  advice: adviceLine(finding),
  question: finding.ask && QUESTION_WORDS[finding.ask],
});

const GRAVE = { 0: "danger", 1: "care", 2: "care", 3: "normal" } as const;

type Rule = Readiness["rule"];

const STEP_WORDS: Record<StepCode, (step: ReadyStep, rule: Rule) => string> = {
  awake: () => "Dobrou com a sua levedura",
  doubles: () => "Dobrou depois do último refresco observado",
  in_time: (_, { within_h: hours, at_c: celsius }) => `E fê-lo em ${hours} h a ${degrees(celsius)}`,
  in_a_row: ({ have, of }) => `Em ${of} refrescos seguidos: ${have} até agora`,
  steady: () => "Chega ao pico a horas certas",
  pleasant: () => "Cheira bem",
  no_warning: () => "Sem sinal de aviso",
};

export const stepLine: typeof en.stepLine = (step, rule) => STEP_WORDS[step.step](step, rule);

export const metWord: typeof en.metWord = ({ met }) => {
  if (met === null) return "ainda não se viu";
  return met ? "sim" : "ainda não";
};

const hours = (count: number) => span(Math.round(count * 6) * 600_000);

function evidence(feeds: readonly Attempt[]): string {
  const doubled = feeds.flatMap(({ doubled_by_h: by, limit_h: limit }) =>
    by === null ? [] : [`${hours(by)}${by > limit ? ", talvez mais cedo" : ""}`],
  );
  const last = feeds.at(-1);
  if (!last || doubled.length === 0) return "";
  return `Dobrou em ${doubled.join(", depois em ")}; na temperatura dele, ${hours(last.limit_h)} é a tempo.`;
}

const COUNTS = ["nenhum", "um", "dois", "três", "quatro", "cinco"];

export const readinessLine: typeof en.readinessLine = ({
  ready,
  looks_ready_but: lucky,
  feeds_to_go: more,
  feeds,
  word,
  failed,
  rises_no_more: done,
}) => {
  const seen = evidence(feeds);
  if (word === true) return `Pronto, pela sua palavra. ${seen}`.trim();
  if (word === false) return `Ainda não, pela sua palavra. ${seen}`.trim();
  const missing = `mais ${COUNTS[more] ?? more} ${counted(more, "bom refresco", "bons refrescos seguidos")}`;
  if (ready && failed > 0)
    return `Pronto, pelo que já mostrou. O último refresco não chegou: um segundo assim retira a palavra. ${seen}`.trim();
  if (ready) return `Pronto. ${seen}`.trim();
  if (done) {
    const last =
      failed === 1
        ? "o último refresco observado falhou"
        : `os últimos ${COUNTS[failed] ?? failed} refrescos observados falharam`;
    return `Já esteve pronto, e deixou de estar: ${last}.`;
  }
  if (lucky && more > 0) return `Parece pronto, mas ainda não é hábito: ${missing}. ${seen}`;
  if (more > 0) return `Ainda não está pronto: ${missing}. ${seen}`.trim();
  return `Sobe como deve. Falta ainda uma coisa. ${seen}`;
};

export const rowWords: typeof en.rowWords = (feeds) => {
  const count = COUNTS[feeds] ?? feeds;
  return feeds === 1 ? `${count} bom refresco` : `${count} seguidos`;
};

export const floatLine: typeof en.floatLine = (floats) =>
  floats
    ? "Flutuou: isso ajuda, e não decide nada."
    : "Afundou. Centeio e massas muito moles ou firmes afundam estando bem, por isso não decide nada.";
