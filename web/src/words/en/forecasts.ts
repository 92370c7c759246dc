/** What is forecast, in words that say that it is. */
import type { Forecast, HoldUp, Outlook, Ready, Span, Taught } from "../../api/types";
import { counted, degrees, fromTo, written } from "../../lib/numbers";
import { clock, dayWord, when } from "../../lib/time";
import { rounded } from "../rounding";

/** `about 15:40, between 14:50 and 16:40`; days are named where they are not today. */
export function spanWords(span: Span, now: string, zone: string): string {
  const width = Date.parse(span.latest) - Date.parse(span.earliest);
  const [low, middle, high] = [span.earliest, span.likely, span.latest].map((at) => rounded(at, width)) as [
    string,
    string,
    string,
  ];
  const day = (at: string) => dayWord(at, now, zone);
  const about = day(middle) === "today" ? clock(middle, zone) : when(middle, now, zone);
  const from = day(low) === day(middle) ? clock(low, zone) : when(low, now, zone);
  const to = day(high) === day(low) ? clock(high, zone) : when(high, now, zone);
  return `about ${about}, between ${from} and ${to}`;
}

/** `Likely ready Friday, perhaps as early as Thursday or as late as Wed 9 Dec`: a day of ready with its spread. */
export function readyWords(
  ready: Pick<Ready, "on" | "seldom" | "latest_is_open">,
  now: string,
  zone: string,
): string {
  const { earliest, likely, latest } = ready.on;
  if (ready.seldom) return `Fed so it is hardly ready before ${dayWord(likely, now, zone)}.`;
  const soonest = Date.parse(earliest) < Date.parse(now) ? now : earliest;
  const [from, about, to] = [soonest, likely, latest].map((at) => dayWord(at, now, zone));
  const open = ready.latest_is_open;
  const others = [
    from === about ? "" : `as early as ${from}`,
    to === about ? (open ? "later" : "") : `as late as ${to}${open ? " or beyond" : ""}`,
  ].filter(Boolean);
  return `Likely ready ${about}${others.length > 0 ? `, perhaps ${others.join(" or ")}` : ""}.`;
}

/** What holds up a jar that was to be ready by now, and what would help. */
export const HOLD_UP_WORDS: Record<HoldUp, string> = {
  no_level: "Nobody has read a level lately: one look with a level, near its peak, would tell how it stands.",
  not_watched: "Nobody has looked near the peak of its last feeds: one look there would tell how it stands.",
  get cool() {
    return `It stands cool. Somewhere warmer, about ${degrees(24)}, it would get there sooner.`;
  },
  thin: "It is too thin to hold its gas: a thicker mix would show what it can do.",
  few: "Its yeast is still few. Whole-grain flour and more of the old kept at each feed help; more feeding does not.",
  low: "It does not rise high enough yet: keep more of the old at each feed, or give it some whole-grain flour.",
  slow: "It rises enough, but late: warmer, or more of the old kept at each feed, makes it quicker.",
};

/** Past the likely day: what is missing. */
export function heldUpWords(held: readonly HoldUp[]): string {
  return `It was likely to be ready by now. ${held.map((one) => HOLD_UP_WORDS[one]).join(" ")}`;
}

/** `1.3 to 1.6`, or `1.3` where they are the same. */
function between(low: number, high: number): string {
  const [from, to] = [written(low, 1), written(high, 1)];
  return from === to ? from : fromTo(from, to);
}

type Rise = Pick<Forecast, "doubles" | "peaks" | "peak_times">;

const OUTLOOK_WORDS: Record<Outlook, (rise: Rise, now: string, zone: string) => string> = {
  hardly_rises: () => "It will hardly rise after this feed.",
  may_stay_quiet: ({ peak_times: top }) =>
    `It likely stays quiet after this feed, or rises to ${written(top.high, 1)} × at most.`,
  doubles: ({ doubles, peaks }, now, zone) => `Doubles ${spanWords(doubles ?? peaks, now, zone)}.`,
  peaks: ({ peaks, peak_times: top }, now, zone) =>
    `Peaks ${spanWords(peaks, now, zone)}, at ${between(top.low, top.high)} ×.`,
  peaked: ({ peaks }, now, zone) => `Its peak was ${spanWords(peaks, now, zone)}.`,
};

/** The running feed: its doubling where there is one to be told, else its peak. */
export function risingWords(outlook: Outlook, rise: Rise, now: string, zone: string): string {
  return OUTLOOK_WORDS[outlook](rise, now, zone);
}

function comparedWith(percent: number, more: string, less: string): string | null {
  return percent === 0 ? null : `${Math.abs(percent)} % ${percent > 0 ? more : less}`;
}

/** What so many earlier jars taught of this one. */
export function taughtWords({
  jars,
  faster_percent: faster,
  higher_percent: higher,
  later_percent: later,
}: Taught): string {
  const parts = [
    comparedWith(faster, "faster", "slower"),
    comparedWith(higher, "higher", "lower"),
    later === 0 ? "" : `awake ${later > 0 ? "later" : "sooner"}`,
  ].filter(Boolean);
  const many = jars === 1 ? "your earlier jar" : `your last ${jars} jars`;
  return parts.length
    ? `Reckoned with what ${many} showed: ${parts.join(", ")} than the book.`
    : `Reckoned with what ${many} showed: by the book.`;
}

/** Why: warmth, and how this jar differs from the book. */
export function basisWords({ basis, surprising }: Forecast, yeastUnshown: boolean): string {
  const { celsius, as_if_c: asIf, faster_percent: faster, higher_percent: higher, watched } = basis;
  const parts = [comparedWith(faster, "faster", "slower"), comparedWith(higher, "higher", "lower")].filter(
    Boolean,
  );
  const jar = parts.length
    ? `this jar goes ${parts.join(" and ")} than the book`
    : "this jar goes by the book";
  const seen =
    watched === 0 ? "nothing watched yet" : `${watched} ${counted(watched, "feed", "feeds")} watched`;
  const rest = yeastUnshown
    ? " A new jar is weighed against many jars as it may be; before yeast shows, no look narrows the day."
    : "";
  const odd = surprising.length
    ? " One look lies far from the rest: misread, or something changed. It widens the forecast."
    : "";
  const elsewhere = asIf === null ? "" : ` It behaves as if it stood at about ${degrees(asIf)}.`;
  return `Reckoned at ${degrees(Math.round(celsius))}; ${jar} (${seen}).${elsewhere}${rest}${odd}`;
}
