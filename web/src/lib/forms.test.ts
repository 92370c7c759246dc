import { afterEach, describe, expect, it } from "vitest";
import { keptOf, METRIC, shownOf, tellIn, usualForms } from "./forms";
import { degrees, degreesSpan, grams, inGrams, length } from "./numbers";
import { clock } from "./time";

const plain = (text: string) => text.replaceAll("\u00a0", " ").replaceAll("\u202f", " ");
const US = { mass: "oz", warmth: "f", length: "in", clock: "h12", decimal: "point" } as const;

afterEach(() => tellIn(METRIC));

describe("the forms of a baker", () => {
  it("tell weights, warmth, lengths and hours", () => {
    expect([grams(40), degrees(24), length(34), degreesSpan(24, 26)].map(plain)).toEqual([
      "40 g",
      "24 °C",
      "34 mm",
      "24 to 26 °C",
    ]);
    expect(clock("2026-03-04T14:55:00Z", "UTC")).toBe("14:55");
    tellIn(US);
    expect([grams(40), degrees(24), length(34), degreesSpan(24, 26)].map(plain)).toEqual([
      "1.41 oz",
      "75 °F",
      "1.34 in",
      "75 to 79 °F",
    ]);
    expect(plain(inGrams(40))).toBe("40 g");
    expect(plain(clock("2026-03-04T14:55:00Z", "UTC"))).toBe("2:55 pm");
  });

  it("write the decimal sign that is read", () => {
    tellIn({ ...METRIC, decimal: "comma" });
    expect(plain(grams(40.5))).toBe("40,5 g");
  });

  // Fixed points of the scales: water freezes and boils; NIST Handbook 44 for the ounce and the inch.
  it("are those of the standards", () => {
    tellIn(US);
    expect([shownOf("°C", 0), shownOf("°C", 100), shownOf("°C", -40)]).toEqual([32, 212, -40]);
    expect(shownOf("g", 453.59237)).toBeCloseTo(16, 12);
    expect(shownOf("mm", 304.8)).toBeCloseTo(12, 12);
  });

  it("keep what was typed so that it comes back", () => {
    tellIn(US);
    for (const typed of [0.01, 1.4, 3.53, 12, 99.99]) {
      for (const kept of ["g", "°C", "mm"] as const) {
        expect(Number(shownOf(kept, keptOf(kept, typed)).toFixed(2))).toBe(typed);
      }
    }
  });

  it("are guessed from where a device is", () => {
    expect(usualForms("en-US")).toEqual(US);
    expect(usualForms("en-GB")).toEqual(METRIC);
    expect(usualForms("pt-PT").decimal).toBe("comma");
  });
});
