import { describe, expect, it } from "vitest";
import type { Attempt, Finding, Readiness, StageFound } from "../../api/types";
import { adviceLine, findingLine, metWord, readinessLine, rowWords, stageLine, stepLine } from "./judging";

const NOW = "2026-03-04T12:00:00Z";
const GOOD: Attempt = {
  feed_id: "f",
  at: NOW,
  watched: true,
  highest: 2.2,
  doubles_at: 2,
  doubled_h: 5.2,
  doubled_by_h: 6.5,
  in_time: 0.9,
  limit_h: 8.2,
  peak_h: 8,
  by_yeast: true,
  failed: false,
};
const VERDICT: Readiness = {
  ready: true,
  by_rule: true,
  steps: [],
  feeds: [GOOD],
  looks_ready_but: false,
  feeds_to_go: 0,
  word: null,
  earliest: null,
  floats: null,
  failed: 0,
  rises_no_more: false,
  rule: { within_h: 8, at_c: 24, rows: [{ strictness: "usual", feeds: 3 }] },
};

const STAGE: StageFound = {
  stage: "hush",
  sure: 0.9,
  settles: null,
  settles_at: null,
  likely_only: false,
  asks: false,
  shows_yeast: false,
};

describe("the stage", () => {
  it("is named plainly where it is sure", () => {
    expect(stageLine({ ...STAGE, stage: "awake" }, NOW, "UTC")).toBe(
      "Awake: it doubles, though not yet by habit.",
    );
  });

  it("says how sure it is and what would settle it where it is not", () => {
    expect(
      stageLine({ ...STAGE, likely_only: true, asks: true, settles: "look_this_evening" }, NOW, "UTC"),
    ).toBe(
      "Likely hush: the quiet days before the yeast shows. Nobody has looked for a day; one look would settle it.",
    );
  });
});

describe("a jar that rose and does not now", () => {
  it("is not told to be in its first quiet days", () => {
    expect(stageLine(STAGE, NOW, "UTC", true)).toBe("Quiet again: it rose before, and does not now.");
  });
});

describe("the hour that would settle it", () => {
  it("is named", () => {
    const line = stageLine(
      { ...STAGE, asks: true, settles: "look_at_its_peak", settles_at: "2026-03-04T16:10:00Z" },
      NOW,
      "UTC",
    );
    expect(line).toContain("A look about today 16:10 would tell more.");
  });
});

describe("the baker's word", () => {
  it("goes before the rule and says so", () => {
    expect(readinessLine({ ...VERDICT, word: false, ready: false })).toMatch(/^Not ready, on your word/);
    expect(readinessLine({ ...VERDICT, word: true })).toMatch(/^Ready, on your word/);
  });
});

describe("what it had shown", () => {
  it("holds over one failed feed, and says so", () => {
    expect(readinessLine({ ...VERDICT, failed: 1 })).toMatch(/^Ready, by what it has shown\. Its last feed/);
  });

  it("is taken back after two, and says that it was ready", () => {
    const gone = { ...VERDICT, ready: false, by_rule: false, feeds_to_go: 3, failed: 2, rises_no_more: true };
    expect(readinessLine(gone)).toBe("It was ready, and is not any more: its last two watched feeds failed.");
  });
});

describe("a finding", () => {
  const film: Finding = {
    sign: "film",
    urgency: 1,
    sure: 0.7,
    do: ["lift_off", "fresh_jar"],
    dont: ["do_not_taste"],
    ask: null,
    look_id: "l",
    seen_at: NOW,
  };

  it("says what it is, what to do and what not", () => {
    expect(findingLine(film, NOW, "UTC")).toBe(
      "A thin white film is wild yeast on the surface: harmless, but unwelcome. Seen today 12:00.",
    );
    expect(adviceLine(film)).toBe(
      "Lift it off and use what is under it. Feed it in a clean jar. Do not taste it.",
    );
  });
});

describe("ready or not", () => {
  const plain = (verdict: Partial<Readiness>) =>
    readinessLine({ ...VERDICT, ...verdict }).replaceAll("\u00a0", " ");

  it("comes with its evidence", () => {
    expect(plain({ feeds: [GOOD, { ...GOOD, doubled_by_h: 6 }] })).toBe(
      "Ready. It doubled within 6 h 30 min, then within 6 h; in its warmth 8 h 10 min is in time.",
    );
  });

  it("does not say of one late look when it doubled", () => {
    expect(plain({ feeds: [{ ...GOOD, doubled_by_h: 9 }] })).toMatch(
      /doubled within 9 h, likely sooner; in its/,
    );
    expect(plain({ feeds: [{ ...GOOD, doubled_by_h: null }] })).toBe("Ready.");
  });

  it.each<[Partial<Readiness>, RegExp]>([
    [{ ready: false, feeds: [], feeds_to_go: 3 }, /^Not ready yet: three more good feeds in a row\.$/],
    [{ ready: false, looks_ready_but: true, feeds_to_go: 1 }, /not a habit yet: one more good feed in a row/],
    [{ ready: false, feeds_to_go: 0 }, /One thing is still missing/],
  ])("says what is missing: %o", (verdict, words) => {
    expect(plain(verdict)).toMatch(words);
  });

  it("tells a step not seen from one not met", () => {
    expect(metWord({ step: "pleasant", met: null, have: 0, of: 0 })).toBe("not seen yet");
    expect(metWord({ step: "pleasant", met: false, have: 0, of: 0 })).toBe("not yet");
    const steps = [
      { step: "in_a_row", met: false, have: 2, of: 3 },
      { step: "in_time", met: true, have: 0, of: 0 },
    ] as const;
    expect(steps.map((step) => stepLine(step, VERDICT.rule))).toEqual([
      "At 3 feeds in a row: 2 so far",
      "And did so within 8 h at 24\u00a0°C",
    ]);
    expect([1, 3, 5].map(rowWords)).toEqual(["one good feed", "three in a row", "five in a row"]);
  });
});
