/** Forecasts are told no finer than they are. */

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/** A forecast is never exact to the minute. */
export function tenMinutes(at: string): string {
  return rounded(at, 0);
}

/** As exact as a span so wide deserves: to ten minutes, half hours, hours. */
export function rounded(at: string, width: number): string {
  const step = width > 6 * HOUR ? HOUR : width > 3 * HOUR ? 30 * MINUTE : 10 * MINUTE;
  return new Date(Math.round(Date.parse(at) / step) * step).toISOString();
}
