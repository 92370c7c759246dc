/** Many pictures in their order, each with its time or none, sent in parts. */

export type Timed = { readonly file: File; readonly at: string | null };
export type Part = { readonly pictures: readonly Timed[]; readonly from: number };

const MOST_OF_A_PART = 12;
const MOST_BYTES = 6_000_000;

/** By name, as a camera counts them; with the first's time and a step where they do not say it themselves. */
export function timed(
  files: readonly File[],
  given: { readonly firstAt: string; readonly stepMin: number } | null,
): Timed[] {
  const sorted = [...files].sort((a, b) => a.name.localeCompare(b.name, "en", { numeric: true }));
  return sorted.map((file, number) => ({
    file,
    at: given ? new Date(Date.parse(given.firstAt) + number * given.stepMin * 60_000).toISOString() : null,
  }));
}

/** From a number on, so many at once as a request may hold. */
export function* parts(all: readonly Timed[], from: number): Generator<Part> {
  let at = from;
  while (at < all.length) {
    let bytes = 0;
    let to = at;
    while (to < all.length && to - at < MOST_OF_A_PART) {
      bytes += all[to]?.file.size ?? 0;
      if (to > at && bytes > MOST_BYTES) break;
      to += 1;
    }
    yield { pictures: all.slice(at, to), from: at };
    at = to;
  }
}
