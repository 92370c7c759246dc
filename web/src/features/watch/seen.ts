/** What a camera saw of one feed, in numbers that are drawn. */
import type { SeenFeed, WatchedPoint } from "../../api/types";

export type SeenPoint = Omit<WatchedPoint, "at"> & { readonly at: number };
export type Seen = {
  readonly fedAt: number;
  readonly doubled: number;
  readonly points: readonly SeenPoint[];
};

export function seenOf(feed: SeenFeed): Seen {
  return {
    fedAt: Date.parse(feed.at),
    doubled: feed.doubles_at,
    points: feed.points.map((one) => ({ ...one, at: Date.parse(one.at) })),
  };
}

export function frameAt(picture: number): string {
  return `/api/watched/${picture}`;
}

/** `5.2 MB` */
export function megabytes(bytes: number): string {
  const inMega = bytes / 1_000_000;
  return `${inMega < 10 ? inMega.toFixed(1) : Math.round(inMega)} MB`;
}
