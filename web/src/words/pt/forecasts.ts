/** O que se prevê, em palavras que dizem que é previsão. */
import type { Forecast, HoldUp, Outlook } from "../../api/types";
import { counted, degrees, either, fromTo, list, written } from "../../lib/numbers";
import { clock, dayWord, when } from "../../lib/time";
import type * as en from "../en/forecasts";
import { rounded } from "../rounding";

/** `cerca das 15:40, entre as 14:50 e as 16:40`; os dias dizem-se onde não são hoje. */
export const spanWords: typeof en.spanWords = (span, now, zone) => {
  const width = Date.parse(span.latest) - Date.parse(span.earliest);
  const [low, middle, high] = [span.earliest, span.likely, span.latest].map((at) => rounded(at, width)) as [
    string,
    string,
    string,
  ];
  const day = (at: string) => dayWord(at, now, zone);
  const hour = (at: string) => `as ${clock(at, zone)}`;
  const about = day(middle) === day(now) ? hour(middle) : when(middle, now, zone);
  const from = day(low) === day(middle) ? hour(low) : when(low, now, zone);
  const to = day(high) === day(low) ? hour(high) : when(high, now, zone);
  return `por volta de ${about}, entre ${from} e ${to}`.replace("de as ", "das ");
};

/** `Deve estar pronto sexta-feira, talvez já quinta-feira ou só quarta, 9/12`. */
export const readyWords: typeof en.readyWords = (ready, now, zone) => {
  const { earliest, likely, latest } = ready.on;
  if (ready.seldom)
    return `Alimentado assim, dificilmente está pronto antes de ${dayWord(likely, now, zone)}.`;
  const soonest = Date.parse(earliest) < Date.parse(now) ? now : earliest;
  const [from, about, to] = [soonest, likely, latest].map((at) => dayWord(at, now, zone));
  const open = ready.latest_is_open;
  const others = [
    from === about ? "" : `já ${from}`,
    to === about ? (open ? "mais tarde" : "") : `só ${to}${open ? " ou depois" : ""}`,
  ].filter(Boolean);
  return `Deve estar pronto ${about}${others.length > 0 ? `, talvez ${either(others)}` : ""}.`;
};

export const HOLD_UP_WORDS: typeof en.HOLD_UP_WORDS = {
  no_level: "Há muito que ninguém lê um nível: uma observação com nível, perto do pico, diria como está.",
  not_watched: "Ninguém olhou perto do pico dos últimos refrescos: uma observação ali diria como está.",
  get cool() {
    return `Está num sítio fresco. Mais quente, a cerca de ${degrees(24)}, chegava lá mais cedo.`;
  },
  thin: "Está ralo demais para segurar o gás: uma mistura mais espessa mostrava o que sabe fazer.",
  few: "A levedura ainda é pouca. Ajudam farinha integral e guardar mais em cada refresco; alimentar mais não ajuda.",
  low: "Ainda não sobe o bastante: guarde mais em cada refresco, ou dê-lhe um pouco de farinha integral.",
  slow: "Sobe o bastante, mas tarde: mais calor, ou guardar mais em cada refresco, torna-o mais rápido.",
} satisfies Record<HoldUp, string>;

export const heldUpWords: typeof en.heldUpWords = (held) =>
  `Já devia estar pronto. ${held.map((one) => HOLD_UP_WORDS[one]).join(" ")}`;

function between(low: number, high: number): string {
  const [from, to] = [written(low, 1), written(high, 1)];
  return from === to ? from : fromTo(from, to);
}

type Rise = Pick<Forecast, "doubles" | "peaks" | "peak_times">;

const OUTLOOK_WORDS: Record<Outlook, (rise: Rise, now: string, zone: string) => string> = {
  hardly_rises: () => "Depois deste refresco mal vai subir.",
  may_stay_quiet: ({ peak_times: top }) =>
    `Deve ficar quieto depois deste refresco, ou subir no máximo a ${written(top.high, 1)} ×.`,
  doubles: ({ doubles, peaks }, now, zone) => `Dobra ${spanWords(doubles ?? peaks, now, zone)}.`,
  peaks: ({ peaks, peak_times: top }, now, zone) =>
    `Chega ao pico ${spanWords(peaks, now, zone)}, a ${between(top.low, top.high)} ×.`,
  peaked: ({ peaks }, now, zone) => `O pico foi ${spanWords(peaks, now, zone)}.`,
};

export const risingWords: typeof en.risingWords = (outlook, rise, now, zone) =>
  OUTLOOK_WORDS[outlook](rise, now, zone);

function comparedWith(percent: number, more: string, less: string): string | null {
  return percent === 0 ? null : `${Math.abs(percent)} % ${percent > 0 ? more : less}`;
}

export const taughtWords: typeof en.taughtWords = ({
  jars,
  faster_percent: faster,
  higher_percent: higher,
  later_percent: later,
}) => {
  const parts = [
    comparedWith(faster, "mais rápido", "mais lento"),
    comparedWith(higher, "mais alto", "mais baixo"),
    later === 0 ? "" : `desperta mais ${later > 0 ? "tarde" : "cedo"}`,
  ].filter(Boolean);
  const many = jars === 1 ? "o seu frasco anterior mostrou" : `os seus últimos ${jars} frascos mostraram`;
  return parts.length
    ? `Contado com o que ${many}: ${parts.join(", ")} do que nos livros.`
    : `Contado com o que ${many}: como nos livros.`;
};

export const basisWords: typeof en.basisWords = ({ basis, surprising }, yeastUnshown) => {
  const { celsius, as_if_c: asIf, faster_percent: faster, higher_percent: higher, watched } = basis;
  const parts = [
    comparedWith(faster, "mais rápido", "mais lento"),
    comparedWith(higher, "mais alto", "mais baixo"),
  ].filter((part) => part !== null);
  const jar = parts.length
    ? `este frasco vai ${list(parts)} do que nos livros`
    : "este frasco vai como nos livros";
  const seen =
    watched === 0
      ? "ainda nada observado"
      : `${watched} ${counted(watched, "refresco observado", "refrescos observados")}`;
  const rest = yeastUnshown
    ? " Um frasco novo compara-se com muitos frascos possíveis; antes de a levedura se mostrar, nenhuma observação aperta o dia."
    : "";
  const odd = surprising.length
    ? " Uma observação está longe das outras: mal lida, ou algo mudou. Alarga a previsão."
    : "";
  const elsewhere = asIf === null ? "" : ` Porta-se como se estivesse a cerca de ${degrees(asIf)}.`;
  return `Contado a ${degrees(Math.round(celsius))}; ${jar} (${seen}).${elsewhere}${rest}${odd}`;
};
