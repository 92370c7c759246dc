/** How the choices of a look are laid out: what is likely first, what this jar asks for outright. */
import type { Bubbles, OpenJar, Smell, Thickness, Top } from "../../api/types";

/** The likely ones first, the others after them in their own order. */
export function likelyFirst<T extends string, I extends { readonly value: T }>(
  items: readonly I[],
  likely: readonly T[],
): I[] {
  const rank = ({ value }: I) => {
    const place = likely.indexOf(value);
    return place < 0 ? likely.length : place;
  };
  return [...items].sort((a, b) => rank(a) - rank(b));
}

export type Uses = OpenJar["assessment"]["asked"];

/** What is asked for outright; all else can be opened. A thermometer of the house need not be asked. */
export function usesOf({ assessment, jar }: OpenJar): Uses {
  return { ...assessment.asked, celsius: jar.thermometer === null && assessment.asked.celsius };
}

/** The last look of this feed, as it can be said again with one press. */
export type LastSeen = {
  readonly times: number | null;
  readonly bubbles: Bubbles | null;
  readonly top: readonly Top[];
  readonly smell: readonly Smell[];
  readonly thickness: Thickness | null;
};

export function lastSeen({ assessment, log }: OpenJar): LastSeen | null {
  const since = assessment.since_feed;
  if (!since) return null;
  const look = log.find(
    ({ entry, withdrawn }) =>
      entry.kind === "look" && !withdrawn && Date.parse(entry.at) >= Date.parse(since.fed_at),
  )?.entry;
  if (look?.kind !== "look") return null;
  return {
    times: since.last?.times ?? null,
    bubbles: look.bubbles,
    top: look.top,
    smell: look.smell,
    thickness: look.thickness,
  };
}
