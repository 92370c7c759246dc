import { describe, expect, it } from "vitest";
import type { Forecast, Outlook } from "../../api/types";
import { basisWords, heldUpWords, readyWords, risingWords, spanWords, taughtWords } from "./forecasts";

const NOW = "2026-03-04T12:00:00Z";
const ZONE = "UTC";
const SPAN = {
  earliest: "2026-03-04T14:52:00Z",
  likely: "2026-03-04T15:41:00Z",
  latest: "2026-03-04T16:38:00Z",
};
const LATER = {
  earliest: "2026-03-04T18:00:00Z",
  likely: "2026-03-04T20:00:00Z",
  latest: "2026-03-05T01:00:00Z",
};
const FORECAST: Forecast = {
  fan: [],
  doubles: SPAN,
  doubles_chance: 0.9,
  peaks: LATER,
  peak_times: { low: 2.1, middle: 2.3, high: 2.6 },
  back_to_line: null,
  hungry_at: null,
  surprising: [],
  basis: {
    celsius: 21.8,
    pace: 0.9,
    height: 1.08,
    watched: 3,
    young: false,
    as_if_c: null,
    faster_percent: -10,
    higher_percent: 8,
  },
  ready: null,
  rounds: [],
};

describe("a forecast", () => {
  it("says about when, and between what", () => {
    expect(spanWords(SPAN, NOW, ZONE)).toBe("about 15:40, between 14:50 and 16:40");
    expect(spanWords(LATER, NOW, ZONE)).toBe("about 20:00, between 18:00 and tomorrow 01:00");
    const overNight = {
      earliest: "2026-03-05T17:00:00Z",
      likely: "2026-03-06T05:00:00Z",
      latest: "2026-03-06T22:50:00Z",
    };
    expect(spanWords(overNight, NOW, ZONE)).toBe(
      "about Friday 05:00, between tomorrow 17:00 and Friday 23:00",
    );
  });

  it("tells the moment that was chosen to be told", () => {
    const say = (outlook: Outlook) => risingWords(outlook, FORECAST, NOW, ZONE);
    expect(say("doubles")).toBe("Doubles about 15:40, between 14:50 and 16:40.");
    expect(say("peaks")).toMatch(/^Peaks about 20:00.*2.1 to 2.6 ×/);
    expect(say("peaked")).toMatch(/^Its peak was/);
    expect(say("hardly_rises")).toBe("It will hardly rise after this feed.");
    expect(say("may_stay_quiet")).toMatch(/stays quiet.*2.6 × at most/);
  });

  it("says why, and what contradicts it", () => {
    expect(basisWords(FORECAST, false)).toBe(
      "Reckoned at 22\u00a0°C; this jar goes 10 % slower and 8 % higher than the book (3 feeds watched).",
    );
    const young = { ...FORECAST.basis, faster_percent: 0, higher_percent: 0, watched: 0 };
    expect(basisWords({ ...FORECAST, basis: young, surprising: ["x"] }, true)).toMatch(
      /by the book.*many jars.*misread/,
    );
  });

  it("gives the day of ready its spread", () => {
    const on = {
      earliest: "2026-03-08T10:00:00Z",
      likely: "2026-03-09T10:00:00Z",
      latest: "2026-03-13T10:00:00Z",
    };
    expect(readyWords({ on, seldom: false, latest_is_open: false }, NOW, ZONE)).toBe(
      "Likely ready Monday, perhaps as early as Sunday or as late as Fri 13 Mar.",
    );
    const same = { earliest: on.likely, likely: on.likely, latest: on.likely };
    expect(readyWords({ on: same, seldom: false, latest_is_open: false }, NOW, ZONE)).toBe(
      "Likely ready Monday.",
    );
    expect(readyWords({ on: same, seldom: false, latest_is_open: true }, NOW, ZONE)).toBe(
      "Likely ready Monday, perhaps later.",
    );
    expect(readyWords({ on: same, seldom: true, latest_is_open: true }, NOW, ZONE)).toBe(
      "Fed so it is hardly ready before Monday.",
    );
  });
});

describe("what earlier jars taught", () => {
  it("is told in one line, and only what is worth telling", () => {
    const none = { faster_percent: 0, higher_percent: 0, later_percent: 0 };
    expect(taughtWords({ ...none, jars: 1 })).toBe(
      "Reckoned with what your earlier jar showed: by the book.",
    );
    expect(taughtWords({ jars: 2, faster_percent: -12, higher_percent: 0, later_percent: 15 })).toBe(
      "Reckoned with what your last 2 jars showed: 12 % slower, awake later than the book.",
    );
  });

  it("names the warmth that a jar behaves like", () => {
    expect(basisWords({ ...FORECAST, basis: { ...FORECAST.basis, as_if_c: 19 } }, false)).toContain(
      "It behaves as if it stood at about 19\u00a0°C.",
    );
  });
});

describe("past the likely day", () => {
  it("says what is missing and what would help", () => {
    expect(heldUpWords(["cool", "low"])).toBe(
      "It was likely to be ready by now. It stands cool. Somewhere warmer, about 24\u00a0°C, it would get there sooner. It does not rise high enough yet: keep more of the old at each feed, or give it some whole-grain flour.",
    );
  });
});
