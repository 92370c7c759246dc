import { describe, expect, it } from "vitest";
import type { Family } from "../../api/types";
import type { JarDraft } from "./draft";
import { differsIn, heldEqual, noSeveral, othersOf, valuesOf } from "./several";

const blend = (code: string) => ({ kind: "blend", code, default: { whole_wheat: 1 }, matters_when: [] });
const EQUAL = {
  code: "equal_parts",
  origin: "flour_and_water",
  begins: [],
  options: [
    { kind: "number", code: "every_hours", choices: [24, 12], default: 24, matters_when: [] },
    { kind: "number", code: "seed_grams", choices: [], default: 30, matters_when: [] },
    blend("first_blend"),
    blend("blend"),
  ],
} as unknown as Family;
const PLAIN = {
  id: "p",
  name: "Heron",
  family: "equal_parts",
  chosen: { equal_parts: { every_hours: "24" } },
  warmth: "22",
  night: "18",
  thermometer: "t",
} as unknown as JarDraft;

const several = (differs: string, ...values: string[]) =>
  ({ ...noSeveral(), differs, values }) as ReturnType<typeof noSeveral>;
const made = (differs: string, ...values: string[]) =>
  othersOf(PLAIN, [EQUAL], several(differs, ...values), (value) => value);

describe("what several jars may differ in", () => {
  it("is what this way lets one choose, but for how much there is of it", () => {
    expect(differsIn(EQUAL, {}, ["wet_rye"])).toEqual(["flour", "every_hours", "place", "way", "yeast"]);
    expect(differsIn(EQUAL, {}, [])).not.toContain("way");
  });

  it("leaves all else equal, and says what", () => {
    expect(heldEqual("flour")).toEqual(["way", "amounts", "place", "jar", "hour"]);
    expect(heldEqual("way")).toEqual(["flour", "place", "jar", "hour"]);
  });
});

describe("the others", () => {
  it("are fed with one flour each, at every feed", () => {
    const [rye, white] = made("flour", "rye", "white");
    expect(rye?.chosen.equal_parts).toEqual({
      every_hours: "24",
      first_blend: { rye: "1" },
      blend: { rye: "1" },
    });
    expect(white?.name).toBe("Heron, white");
    expect(new Set([PLAIN.id, rye?.id, white?.id]).size).toBe(3);
  });

  it("stand elsewhere without the plain one's nights and thermometer", () => {
    const [warm] = made("place", "27");
    expect(warm).toMatchObject({ warmth: "27", night: "", thermometer: null });
  });

  it("have another number of the way, and nothing twice or empty", () => {
    expect(made("every_hours", "12")[0]?.chosen.equal_parts).toEqual({ every_hours: "12" });
    expect(valuesOf(several("place", "27", " ", "27 ", "19"))).toEqual(["27", "19"]);
  });

  it("are three at most, and one with a pinch of yeast is as the plain one", () => {
    expect(made("flour", "rye", "white", "spelt", "einkorn")).toHaveLength(3);
    const [show] = made("yeast");
    expect({ ...show, id: "p", name: "Heron" }).toEqual(PLAIN);
  });
});
