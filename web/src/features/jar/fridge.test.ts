import { describe, expect, it } from "vitest";
import type { DeedKind, LogEntry } from "../../api/types";
import { stretchesInFridge } from "./fridge";

const NOW = "2026-03-04T12:00:00Z";

function deed(did: DeedKind, at: string, withdrawn = false): LogEntry {
  const entry = { kind: "deed", at, did, note: "" } as const;
  return { id: at, revision: 1, withdrawn, recorded_by: "Ines", entry } as LogEntry;
}

const hours = (stretches: readonly { from: number; until: number }[]) =>
  stretches.map(({ from, until }) => (until - from) / 3_600_000);

describe("the fridge by the log", () => {
  it("counts from in to out, whatever the order of the log, and until now while it is there", () => {
    const log = [
      deed("to_fridge", "2026-03-04T08:00:00Z"),
      deed("to_counter", "2026-03-02T16:00:00Z"),
      deed("stirred", "2026-03-02T12:00:00Z"),
      deed("to_fridge", "2026-03-02T08:00:00Z"),
    ];
    expect(hours(stretchesInFridge({ log, now: NOW }))).toEqual([8, 4]);
  });

  it("leaves out what was undone, and takes in twice for once", () => {
    const log = [
      deed("to_fridge", "2026-03-01T08:00:00Z", true),
      deed("to_fridge", "2026-03-04T02:00:00Z"),
      deed("to_fridge", "2026-03-04T08:00:00Z"),
    ];
    expect(hours(stretchesInFridge({ log, now: NOW }))).toEqual([10]);
    expect(stretchesInFridge({ log: [deed("to_counter", NOW)], now: NOW })).toEqual([]);
  });
});
