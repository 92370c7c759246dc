/** The rise line as data: what is drawn where, before any pixel. Times in ms, levels as multiples of the line. */

export type Dot = { readonly at: number; readonly times: number };
export type Round = { readonly at: number; readonly ratio: string; readonly dots: readonly Dot[] };

/** The corners of one round's line: from the line at the feed through every level seen. */
export function cornersOf(round: Round): Dot[] {
  return [{ at: round.at, times: 1 }, ...[...round.dots].sort((a, b) => a.at - b.at)];
}

/** The levels' axis: from a little under the lowest to a little over the highest, doubling always in sight. */
export function levelRange(rounds: readonly Round[]): [number, number] {
  const seen = rounds.flatMap((round) => round.dots.map((dot) => dot.times));
  return [Math.min(0.9, ...seen) - 0.05, Math.max(2.2, ...seen) + 0.15];
}

/** The times' axis: whole days are shown from the first feed to now, at least two. */
export function timeRange(rounds: readonly Round[], now: number): [number, number] {
  const first = rounds[0]?.at ?? now;
  const day = 24 * 3_600_000;
  const end = Math.max(now + day / 6, first + 2 * day);
  return [first - day / 12, end];
}
