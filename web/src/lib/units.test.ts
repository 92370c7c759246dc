import { describe, expect, it } from "vitest";
import { amount, ounces, spoons } from "./units";

const plain = (text: string) => text.replaceAll("\u00a0", " ");

describe("ounces", () => {
  // The avoirdupois ounce is 28.349 523 125 g (NIST Handbook 44, appendix C, from memory).
  it.each([
    [28.349523125, "1 oz"],
    [453.59237, "16 oz"],
    [40, "1.41 oz"],
  ])("%d g is %s", (g, text) => {
    expect(plain(ounces(g))).toBe(text);
  });
});

describe("level measures", () => {
  // A US legal cup is 240 ml, a tablespoon 15 ml, a teaspoon 5 ml (21 CFR 101.9, from memory).
  it.each([
    [240, "1 cup"],
    [15, "1 tbsp"],
    [5, "1 tsp"],
    [22.5, "1 tbsp 1 ½ tsp"],
    [277.5, "1 cup 2 tbsp 1 ½ tsp"],
    [0.4, "¼ tsp"],
  ])("%d ml is %s", (ml, text) => {
    expect(plain(spoons(ml))).toBe(text);
  });

  it("grams stay grams", () => {
    expect(plain(amount(40, 40, "g"))).toBe("40 g");
  });
});
