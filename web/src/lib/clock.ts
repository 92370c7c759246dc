/**
 * The time by the server's clock. A device that is some minutes ahead would note what is still to come, and lose it; so
 * what is noted is stamped by the clock that will be asked whether it can be.
 */

// An answer takes a moment and tells whole seconds: what is nearer than this is the same time.
const NEAR_MS = 20_000;
let aheadMs = 0;

/** What an answer says of the time; an answer kept on the device says an old one and must not be told here. */
export function heardTime(date: string | null, here = Date.now()): void {
  const there = date ? Date.parse(date) : Number.NaN;
  if (Number.isNaN(there)) return;
  aheadMs = Math.abs(here - there) < NEAR_MS ? 0 : here - there;
}

export function nowMs(): number {
  return Date.now() - aheadMs;
}

export function nowIso(): string {
  return new Date(nowMs()).toISOString();
}
