/** Jars side by side as a table (RFC 4180): every level that was read, by jar, feed and hours since. */
import type { BesideJar } from "../../api/types";

const HOUR = 3_600_000;
const COLUMNS = ["jar", "feed", "fed_at", "seen_at", "hours_since_feed", "level_times_line"];

function cell(value: string): string {
  return /[",\r\n]/.test(value) ? `"${value.replaceAll('"', '""')}"` : value;
}

export function besideTable(jars: readonly BesideJar[]): string {
  const rows = jars.flatMap(({ name, rounds }) =>
    rounds.flatMap((round, feed) =>
      [{ at: round.at, times: 1 }, ...round.levels].map((seen) => [
        name,
        String(feed + 1),
        round.at,
        seen.at,
        ((Date.parse(seen.at) - Date.parse(round.at)) / HOUR).toFixed(2),
        seen.times.toFixed(3),
      ]),
    ),
  );
  return [COLUMNS, ...rows].map((row) => `${row.map(cell).join(",")}\r\n`).join("");
}
