/** What is forecast, in words that say that it is. */
import type { Forecast, Ready, Span } from "../api/types";
import { clock, dayWord, when } from "../lib/time";

/** `about 15:40, between 14:50 and 16:40`; days are named where they are not today. */
export function spanWords(span: Span, now: string, zone: string): string {
  const [low, middle, high] = [span.earliest, span.likely, span.latest].map(tenMinutes) as [
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

/** A forecast is never exact to the minute. */
export function tenMinutes(at: string): string {
  return new Date(Math.round(Date.parse(at) / 600_000) * 600_000).toISOString();
}

/** Whether a day of ready is only as far as was foreseen: the latest, or even the likely one. */
export function isOpen({ share }: Pick<Ready, "share">): {
  readonly latest: boolean;
  readonly likely: boolean;
} {
  return { latest: share < 0.9, likely: share < 0.5 };
}

/** `Likely ready Friday; it may be Thursday, it may be Wed 9 Dec or later`: a day of ready with its spread. */
export function readyWords(ready: Pick<Ready, "on" | "share">, now: string, zone: string): string {
  const { earliest, likely, latest } = ready.on;
  const open = isOpen(ready);
  if (open.likely) return `Fed so it is hardly ready before ${dayWord(likely, now, zone)}.`;
  const soonest = Date.parse(earliest) < Date.parse(now) ? now : earliest;
  const [from, about, to] = [soonest, likely, latest].map((at) => dayWord(at, now, zone));
  const later = open.latest ? " or later" : "";
  const others = [from === about ? "" : `it may be ${from}`, to === about ? "" : `it may be ${to}${later}`];
  const first = to === about ? `${about}${later}` : about;
  return `Likely ready ${[first, others.filter(Boolean).join(", ")].filter(Boolean).join("; ")}.`;
}

/** The running feed: its doubling where there is one to be told, else its peak. */
export function risingWords(forecast: Forecast, now: string, zone: string): string {
  const { doubles, doubles_chance: chance, peaks, peak_times: top } = forecast;
  const past = (span: Span) => Date.parse(span.latest) < Date.parse(now);
  if (top.high < 1.25) return "It will hardly rise after this feed.";
  if (top.middle < 1.2)
    return `It likely stays quiet after this feed, or rises to ${top.high.toFixed(1)} × at most.`;
  if (doubles && chance >= 0.5 && !past(doubles)) return `Doubles ${spanWords(doubles, now, zone)}.`;
  if (!past(peaks)) {
    const height = `to ${top.low.toFixed(1)} to ${top.high.toFixed(1)} ×`;
    return `Peaks ${spanWords(peaks, now, zone)}, ${height}.`;
  }
  return `Its peak was ${spanWords(peaks, now, zone)}.`;
}

function comparedWith(factor: number, more: string, less: string): string | null {
  const percent = Math.round(Math.abs(factor - 1) * 100);
  return percent < 4 ? null : `${percent} % ${factor > 1 ? more : less}`;
}

/** A jar that rises so far has shown its yeast. */
const AWAKE = 1.6;

/** Why: warmth, and how this jar differs from the book. */
export function basisWords({ basis, surprising, peak_times: top }: Forecast): string {
  const { celsius, pace, height, watched, young } = basis;
  const parts = [comparedWith(pace, "faster", "slower"), comparedWith(height, "higher", "lower")].filter(
    Boolean,
  );
  const jar = parts.length
    ? `this jar goes ${parts.join(" and ")} than the book`
    : "this jar goes by the book";
  const seen = watched === 0 ? "nothing watched yet" : `${watched} feed${watched === 1 ? "" : "s"} watched`;
  const rest =
    young && top.middle < AWAKE
      ? " A new jar is weighed against many jars as it may be; before yeast shows, no look narrows the day."
      : "";
  const odd = surprising.length
    ? " One look lies far from the rest: misread, or something changed. It widens the forecast."
    : "";
  return `Reckoned at ${Math.round(celsius)} °C; ${jar} (${seen}).${rest}${odd}`;
}
