/** A round over jars, one after another: over the whole shelf, or over a few that stand side by side. */

export type Act = "look" | "feed";

/** What a round goes over, if not the jars whose ids it names. */
export const WHOLE_SHELF = "1";

/** Where a round over these jars goes first; `trial` is the page that it comes back to, where there is one. */
export function roundPath(act: Act, jars: readonly string[], trial: string | null): string {
  const [first] = jars;
  return pathOf(act, first ?? "", jars.join(","), trial);
}

/** Where a round over a few jars goes after one of them: to the next, or back to their page. */
export function afterInRound(act: Act, jar: string, round: string, trial: string | null): string {
  const jars = round.split(",");
  const next = jars[jars.indexOf(jar) + 1];
  if (next !== undefined) return pathOf(act, next, round, trial);
  if (trial) return `/trials/${trial}`;
  const [plain, ...others] = jars;
  return `/jars/${plain}/beside?${new URLSearchParams(others.map((id) => ["other", id]))}`;
}

/** The jar that comes after one in a round over a few, if any does. */
export function nextInRound(jar: string, round: string): string | null {
  const jars = round.split(",");
  return jars[jars.indexOf(jar) + 1] ?? null;
}

function pathOf(act: Act, jar: string, round: string, trial: string | null): string {
  return `/jars/${jar}/${act}?round=${round}${trial ? `&trial=${trial}` : ""}`;
}
