import { describe, expect, it } from "vitest";
import type { Catalogue, Family } from "../../api/types";
import {
  beginningAt,
  blendInUse,
  jarOf,
  newDraft,
  optionsThatMatter,
  originOf,
  partsOf,
  picksOf,
} from "./draft";

const FAMILY: Family = {
  code: "equal_parts",
  origin: "flour_and_water",
  begins: [{ origin: "frozen", option: "origin", pick: "from_frozen" }],
  needs: ["scale"],
  ready: { earliest: 6, likely: 9, latest: 14 },
  wants_c: null,
  options: [
    {
      kind: "number",
      code: "seed_grams",
      scale: "grams",
      least: 5,
      most: 500,
      default: 30,
      choices: [],
      matters_when: [],
      met_first: true,
    },
    {
      kind: "number",
      code: "feed_grams",
      scale: "grams",
      least: 5,
      most: 500,
      default: 30,
      choices: [],
      matters_when: [[{ code: "keeping", picks: ["keep_half"] }]],
      met_first: false,
    },
    {
      kind: "pick",
      code: "keeping",
      choices: ["keep_weight", "keep_half"],
      default: "keep_weight",
      matters_when: [],
      met_first: true,
    },
    {
      kind: "blend",
      code: "blend",
      default: { white: 10 / 11, whole_wheat: 1 / 11 },
      matters_when: [],
      met_first: true,
      follows: "first_blend",
    },
  ],
};
const CATALOGUE: Catalogue = {
  families: [FAMILY],
  flours: ["rye", "white"],
  glasses: [{ glass: "usual", volume_ml: 370, height_mm: 100 }],
  places: [{ place: "kitchen", warmth_c: 22 }],
  beginning: {
    family: "equal_parts",
    glass: "usual",
    place: "kitchen",
    scale_step: 1,
    scale_steps: [0.1, 1, 5],
    sizes: [1],
  },
};
const NOW = Date.parse("2026-03-04T12:00:00Z");

describe("a jar being planned", () => {
  it("asks only for options that matter under the choices made", () => {
    const codes = (chosen: Parameters<typeof optionsThatMatter>[1]) =>
      optionsThatMatter(FAMILY, chosen).map((option) => option.code);
    expect(codes({})).toEqual(["seed_grams", "keeping", "blend"]);
    expect(codes({ keeping: "keep_half" })).toContain("feed_grams");
    expect(picksOf(FAMILY, {}).keeping).toBe("keep_weight");
  });

  it("shows a blend in parts", () => {
    const blend = FAMILY.options[3];
    if (blend?.kind !== "blend") throw new Error("a blend");
    expect(partsOf(blend, {})).toEqual({ white: "10", whole_wheat: "1" });
    expect(partsOf(blend, { blend: { rye: "2" } })).toEqual({ rye: "2" });
  });

  it("sends what was chosen, and nothing for what was not or does not matter", () => {
    const chosen = { seed_grams: "20,5", feed_grams: "44", blend: { rye: "2", spelt: "1" } };
    const jar = jarOf({ ...newDraft(CATALOGUE), chosen: { equal_parts: chosen } }, FAMILY, NOW, "UTC");
    expect(jar.choices).toEqual({ seed_grams: 20.5, blend: { rye: 2, spelt: 1 } });
    expect([jar.family, jar.warmth_c, jar.size]).toEqual(["equal_parts", 22, null]);
    expect([jar.volume_ml, jar.height_mm, jar.flare, jar.scale_step]).toEqual([370, 100, 1, 1]);
  });

  it("feeds the flour it was begun with, where nobody chose another for that", () => {
    const blend = FAMILY.options[3];
    if (blend?.kind !== "blend") throw new Error("a blend");
    const begun = { first_blend: { rye: "1" } };
    expect(blendInUse(blend, begun).blend).toEqual({ rye: "1" });
    expect(blendInUse(blend, { ...begun, blend: { white: "1" } }).blend).toEqual({ white: "1" });
    expect(blendInUse({ ...blend, follows: null }, begun).blend).toBeUndefined();
  });

  it("sends what is no number as typed, so that the server names the option", () => {
    const chosen = { seed_grams: "a little" };
    const jar = jarOf({ ...newDraft(CATALOGUE), chosen: { equal_parts: chosen } }, FAMILY, NOW, "UTC");
    expect(jar.choices.seed_grams).toBe("a little");
  });
});

describe("where it begins", () => {
  const family: Family = {
    ...FAMILY,
    options: [
      ...FAMILY.options,
      {
        kind: "pick",
        code: "origin",
        choices: ["from_flour", "from_frozen"],
        default: "from_flour",
        matters_when: [],
        met_first: true,
      },
    ],
  };

  it("is a choice of its family where that has another beginning", () => {
    const frozen = beginningAt(family, { seed_grams: "20" }, "frozen");
    expect(frozen).toMatchObject({ origin: "from_frozen", seed_grams: "20" });
    expect(originOf(family, frozen)).toBe("frozen");
    const back = beginningAt(family, frozen, "flour_and_water");
    expect(originOf(family, back)).toBe("flour_and_water");
    expect(back.seed_grams).toBe("20");
  });
});
