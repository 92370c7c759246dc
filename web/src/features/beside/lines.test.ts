import { describe, expect, it } from "vitest";
import type { BesideJar } from "../../api/types";
import { lineOf } from "./lines";

function jarFrom(start: string): BesideJar {
  const at = (days: number, hours: number) =>
    new Date(Date.parse(start) + days * 86_400_000 + hours * 3_600_000).toISOString();
  const rounds = [0, 1, 2, 3, 4, 5, 6].map((day) => ({
    feed_id: `f${day}`,
    at: at(day, 0),
    levels: day === 2 ? [] : [{ look_id: `l${day}`, at: at(day, 6), times: 1.5 + day / 10, error: null }],
  }));
  return { id: start, name: "Rye", rounds } as unknown as BesideJar;
}

describe("the lines of a jar", () => {
  const jar = jarFrom("2026-03-04T08:00:00Z");

  it("stand on one time since each of the latest feeds that were watched", () => {
    const { feeds } = lineOf(jar, "feed");
    expect(feeds.map(({ id }) => id)).toEqual(["f1", "f3", "f4", "f5", "f6"]);
    expect(feeds[0]?.points).toEqual([
      { hours: 0, times: 1 },
      { hours: 6, times: 1.6 },
    ]);
  });

  it("or go over all days from its own first mix, so that jars begun a day apart lie on each other", () => {
    const { feeds } = lineOf(jar, "days");
    expect(feeds.map(({ id }) => id)).toEqual(["f0", "f1", "f3", "f4", "f5", "f6"]);
    expect(feeds[1]?.points).toEqual([
      { hours: 24, times: 1 },
      { hours: 30, times: 1.6 },
    ]);
    expect(lineOf(jarFrom("2026-03-05T20:00:00Z"), "days").feeds).toEqual(feeds);
  });
});
