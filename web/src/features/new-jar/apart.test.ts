import { describe, expect, it } from "vitest";
import { apartFrom } from "./apart";
import type { JarDraft } from "./draft";

const PLAIN = {
  family: "equal_parts",
  chosen: { equal_parts: { seed_grams: "30", blend: { spelt: "1" }, first_blend: { spelt: "1" } } },
  method: null,
  warmth: "24",
  night: "",
  thermometer: null,
  volume: "400",
  height: "90",
  size: "",
} as unknown as JarDraft;

describe("what a draft differs in", () => {
  it("is nothing of the same", () => {
    expect(apartFrom(PLAIN, { ...PLAIN, name: "Another", start: { kind: "at", at: "" } as never })).toEqual(
      [],
    );
  });

  it("is one thing where one flour is chosen for all feeds", () => {
    const chosen = { equal_parts: { seed_grams: "30", blend: { rye: "1" }, first_blend: { rye: "1" } } };
    expect(apartFrom(PLAIN, { ...PLAIN, chosen })).toEqual(["blend"]);
  });

  it("is told with each other thing", () => {
    const chosen = { equal_parts: { ...PLAIN.chosen.equal_parts, seed_grams: "20" } };
    expect(apartFrom(PLAIN, { ...PLAIN, chosen, warmth: "20", volume: "900" })).toEqual([
      "seed_grams",
      "warmth",
      "jar",
    ]);
    expect(apartFrom(PLAIN, { ...PLAIN, family: "wet_rye", chosen: {} })).toEqual(["way"]);
  });
});
