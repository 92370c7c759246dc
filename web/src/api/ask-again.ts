import type { QueryClient } from "@tanstack/react-query";

// After a minute every page has asked by itself again, and what is kept is of after the write.
const NEWEST_FOR_MS = 60_000;
let writtenAt = Number.NEGATIVE_INFINITY;

/** Whether something was written so lately that what a device has kept may be from before it. */
export function wantsNewest(): boolean {
  return performance.now() - writtenAt < NEWEST_FOR_MS;
}

/**
 * What is shown is asked for again, after something was written. A first answer still on its way was asked for before
 * that, and would be taken for the new one: it is let go.
 */
export async function askAgain(queries: QueryClient): Promise<void> {
  writtenAt = performance.now();
  await queries.cancelQueries();
  await queries.invalidateQueries();
}
