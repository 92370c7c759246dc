import { describe, expect, it } from "vitest";
import type { DiscardJar, FlourRow } from "../../api/types";
import { flourShares } from "../shares";
import { discardLine, discardShort, discardSign } from "./discard";
import { allergenLine, costWords, flourSentence, monthName } from "./pantry";

/** A number and its unit hang together by a space of their own. */
const plain = (text: string) => text.replaceAll("\u00a0", " ");

const NOW = "2026-03-12T08:00:00Z";
const JAR: DiscardJar = {
  shelf: "with_gluten",
  total_g: 120.4,
  hydration_percent: 100,
  oldest_at: "2026-03-03T08:00:00Z",
  flours: [
    { flour: "rye", g: 20 },
    { flour: "spelt", g: 40.2 },
  ],
  parts: [],
  signs: ["old"],
  doubtful: [],
  holds_ml: 500,
  washed: false,
};
const ROW: FlourRow = {
  key: "",
  fed: [{ flour: "rye", g: 840 }],
  fed_g: 840,
  other_g: 0,
  went: [
    { went: "compost", flour_g: 300 },
    { went: "unsaid", flour_g: 10 },
    { went: "dough", flour_g: 440 },
  ],
  discard_g: 310,
  left_g: 90,
  cost: 0,
  unpriced_g: 840,
};

describe("the discard jar", () => {
  it("says how much and how old", () => {
    expect(plain(discardLine(JAR, NOW))).toBe("120 g, its oldest part 9 days old.");
    expect(plain(discardShort(JAR, NOW))).toBe("120 g, 9 days old");
    expect(plain(discardShort({ ...JAR, oldest_at: NOW }, NOW))).toBe("120 g, from today");
    expect(plain(discardLine({ ...JAR, total_g: 0, oldest_at: null, washed: true }, NOW))).toBe(
      "Empty, and washed.",
    );
  });

  it("names what all of it holds, and the jar in doubt", () => {
    expect(plain(allergenLine(JAR))).toBe(
      "Of 20 g whole rye and 40 g spelt. All of it holds rye and spelt (a wheat): gluten.",
    );
    expect(plain(allergenLine({ ...JAR, flours: [{ flour: "gluten_free", g: 30 }] }))).toBe(
      "Of 30 g gluten-free flour.",
    );
    expect(discardSign("doubtful", { ...JAR, doubtful: ["Moth"] }).meaning).toBe(
      "Moth gave to it and was found spoiled later.",
    );
  });
});

describe("the flour ledger", () => {
  it("says where it went in one sentence, and nothing of where none went", () => {
    expect(plain(flourSentence(ROW))).toBe(
      "840 g of flour: 440 g baked with, 90 g in the jars now and 310 g thrown out.",
    );
    expect(flourShares({ ...ROW, left_g: null }).map(({ share }) => share)).toEqual(["dough", "thrown_out"]);
  });

  it("tells a cost only where there is one", () => {
    expect(costWords(ROW)).toBe("–");
    expect(costWords({ ...ROW, cost: 1.2 })).toBe("1.20 and more");
    expect(costWords({ ...ROW, cost: 1.2, unpriced_g: 0 })).toBe("1.20");
  });

  it("names a month", () => expect(monthName("2026-03")).toBe("March 2026"));
});
