/** The levels of a jar as lines: each feed from its own hour, or all of them from the jar's first mix. */
import type { BesideJar } from "../../api/types";
import type { BesideLine } from "../../drawing/beside-lines";

export type Over = "feed" | "days";

const HOUR = 3_600_000;
/** Feeds that are drawn on each other: the latest, or lines hide lines. */
const DRAWN = 5;

export function lineOf({ id, name, rounds }: BesideJar, over: Over): BesideLine {
  const [first] = rounds;
  const watched = rounds.filter(({ levels }) => levels.length > 0);
  return {
    id,
    name,
    feeds: (over === "feed" ? watched.slice(-DRAWN) : watched).map((round) => {
      const from = Date.parse(over === "feed" || !first ? round.at : first.at);
      const hours = (at: string) => (Date.parse(at) - from) / HOUR;
      return {
        id: round.feed_id,
        points: [
          { hours: hours(round.at), times: 1 },
          ...round.levels.map((seen) => ({ hours: hours(seen.at), times: seen.times })),
        ],
      };
    }),
  };
}
