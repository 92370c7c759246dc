/** A level read off a photo by three points: the jar's bottom, the mark, the level. */

export type Point = { readonly x: number; readonly y: number };
export type Points = { readonly bottom: Point; readonly mark: Point; readonly level: Point };
export type Reading = { readonly times: number; readonly low: number; readonly high: number };

/** How well a thumb sets a point, as a share of the picture's height. */
export const POINT_ERROR = 0.006;

/** Points as shares of a picture, to pixels of equal size, so that lengths can be held against each other. */
function lengths(
  { bottom, mark, level }: Points,
  aspect: number,
): { readonly mark: number; readonly level: number } {
  const square = ({ x, y }: Point) => ({ x: x * aspect, y });
  const [b, m, l] = [square(bottom), square(mark), square(level)];
  // The jar's axis runs from the bottom through the farther of the two; a tilted phone tilts all three alike.
  const far = Math.hypot(m.x - b.x, m.y - b.y) > Math.hypot(l.x - b.x, l.y - b.y) ? m : l;
  const long = Math.hypot(far.x - b.x, far.y - b.y);
  if (long === 0) return { mark: 0, level: 0 };
  const along = ({ x, y }: Point) => ((x - b.x) * (far.x - b.x) + (y - b.y) * (far.y - b.y)) / long;
  return { mark: along(m), level: along(l) };
}

/** The level as a multiple of the mark, and between what it lies; null while the points make no jar. */
export function readPhoto(points: Points, aspect: number): Reading | null {
  const { mark, level } = lengths(points, aspect);
  if (mark < 4 * POINT_ERROR || level <= 0) return null;
  const times = level / mark;
  // Each of the two heights is off by two points' error; the ratio by both, the mark's counting `times` over.
  const off = ((POINT_ERROR * Math.SQRT2) / mark) * Math.hypot(1, times);
  return { times: round(times), low: round(Math.max(0, times - off)), high: round(times + off) };
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
