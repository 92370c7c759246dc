/** The rise line as data: what is drawn where, before any pixel. Times in ms, levels as multiples of the line. */

/** A level that was seen; `error` is how unsure a camera's is, null where the baker looked. */
export type Dot = { readonly at: number; readonly times: number; readonly error?: number | null };
/** The level forecast at a moment: four of five fall between low and high. */
export type FanPoint = {
  readonly at: number;
  readonly low: number;
  readonly middle: number;
  readonly high: number;
};
export type Round = {
  readonly at: number;
  /** Until the next feed, or now. */
  readonly until: number;
  readonly ratio: string;
  readonly dots: readonly Dot[];
  /** The mark left on the glass, where one was noted. */
  readonly high: number | null;
};

/** A stretch of time, such as in the fridge. */
export type Stretch = { readonly from: number; readonly until: number };

/** The corners of one round's line: from the line at the feed through every level seen. */
export function cornersOf(round: Round): Dot[] {
  return [{ at: round.at, times: 1 }, ...[...round.dots].sort((a, b) => a.at - b.at)];
}

/** The levels' axis: from a little under the lowest to a little over the highest, doubling always in sight. */
export function levelRange(
  rounds: readonly Round[],
  doubled: number,
  fan: readonly FanPoint[] = [],
): [number, number] {
  const seen = [
    ...rounds.flatMap((round) => round.dots.map((dot) => dot.times)),
    ...rounds.flatMap((round) => round.high ?? []),
    ...fan.map((point) => point.high),
  ];
  return [Math.min(0.9, ...seen) - 0.05, Math.max(doubled + 0.2, ...seen) + 0.15];
}

/** The times' axis: whole days are shown from the first feed to now, at least two. */
export function timeRange(
  rounds: readonly Round[],
  now: number,
  fan: readonly FanPoint[] = [],
): [number, number] {
  const first = rounds[0]?.at ?? now;
  const day = 24 * 3_600_000;
  const end = Math.max(now + day / 6, first + 2 * day, fan.at(-1)?.at ?? 0);
  return [first - day / 12, end];
}

/** How far ahead of now the fan is drawn, and at least until so long after the feed. */
const AHEAD = 14 * 3_600_000;
const AFTER_FEED = 24 * 3_600_000;

/** The part of the forecast worth drawing: the running round, until some hours from now. */
export function fanToDraw(fan: readonly FanPoint[], now: number): FanPoint[] {
  const start = fan[0]?.at ?? now;
  return fan.filter((point) => point.at <= Math.max(now + AHEAD, start + AFTER_FEED));
}
