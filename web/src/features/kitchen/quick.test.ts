import { afterEach, describe, expect, it } from "vitest";
import { METRIC, tellIn } from "../../lib/forms";
import { understood } from "./quick";

const AT = "2026-03-04T08:00:00Z";
const FLOURS = [
  { flour: "spelt", g: 20 },
  { flour: "rye", g: 10 },
] as const;
const read = (line: string) => understood(line, AT, [...FLOURS]);

afterEach(() => tellIn(METRIC));

describe("a quick line", () => {
  it("is a look: level, top, smell", () => {
    expect(read("1.8x domed apple")?.entry).toMatchObject({
      kind: "look",
      level: { value: 1.8, unit: "times" },
      top: ["domed"],
      smell: ["fruity"],
      note: "",
    });
    expect(read("1,8 × domed")?.entry).toMatchObject({ level: { value: 1.8, unit: "times" } });
    expect(read("+80% few ph 4.2 21c")?.entry).toMatchObject({
      level: { value: 80, unit: "percent" },
      bubbles: "few",
      ph: 4.2,
      celsius: 21,
    });
  });

  it("takes fuzzy and pink for what they are", () => {
    expect(read("fuzzy pink")?.entry).toMatchObject({ top: ["fuzzy_spots", "coloured_streaks"] });
  });

  it("is a feed, of the flours that are planned", () => {
    expect(read("fed 30 60 60")?.entry).toMatchObject({
      kind: "feed",
      keep_g: 30,
      flours: [
        { flour: "spelt", g: 40 },
        { flour: "rye", g: 20 },
      ],
      water_g: 60,
    });
    expect(read("fed 30 60")).toBeNull();
    tellIn({ ...METRIC, mass: "oz" });
    expect(read("fed 1oz 1 1")?.entry).toMatchObject({ keep_g: 28.3495, water_g: 28.3495 });
  });

  it("keeps what it does not understand as the note", () => {
    const found = read("2x domed and very lively");
    expect(found?.rest).toEqual(["very", "lively"]);
    expect(found?.entry.note).toBe("very lively");
    expect(read("hello there")).toBeNull();
    expect(read("")).toBeNull();
  });
});
