import type { QueryClient } from "@tanstack/react-query";

/**
 * What is shown is asked for again, after something was written. A first answer still on its way was asked for before
 * that, and would be taken for the new one: it is let go.
 */
export async function askAgain(queries: QueryClient): Promise<void> {
  await queries.cancelQueries();
  await queries.invalidateQueries();
}
