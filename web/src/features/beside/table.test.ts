import { describe, expect, it } from "vitest";
import type { BesideJar } from "../../api/types";
import { besideTable } from "./table";

describe("jars side by side as a table", () => {
  it("has a row for each feed and each level, and names that hold signs of their own", () => {
    const round = {
      at: "2026-03-04T08:00:00Z",
      levels: [{ look_id: "l", at: "2026-03-04T12:30:00Z", times: 1.85, error: null }],
    };
    const jars = [{ name: 'Rye, "dark"', rounds: [round] }] as unknown as BesideJar[];
    expect(besideTable(jars)).toBe(
      [
        "jar,feed,fed_at,seen_at,hours_since_feed,level_times_line",
        '"Rye, ""dark""",1,2026-03-04T08:00:00Z,2026-03-04T08:00:00Z,0.00,1.000',
        '"Rye, ""dark""",1,2026-03-04T08:00:00Z,2026-03-04T12:30:00Z,4.50,1.850',
        "",
      ].join("\r\n"),
    );
  });
});
