import { describe, expect, it } from "vitest";
import { amountOf, ounces, quarters, spoons } from "./units";

const plain = (text: string) => text.replaceAll("\u00a0", " ");
const G_PER_OZ = 28.349523125;
const TABLESPOONS = { add_g: -20, in_spoons: [{ count: 1, unit: "tbsp" }] };

describe("amounts", () => {
  it.each([
    [28.349523125, "1 oz"],
    [453.59237, "16 oz"],
    [40, "1.41 oz"],
  ])("%d g is %s", (g, text) => {
    expect(plain(ounces(g, G_PER_OZ))).toBe(text);
  });

  it("are said in the measures that were sent", () => {
    const cups = [
      { count: 1, unit: "cup" },
      { count: 2, unit: "tbsp" },
      { count: 1.5, unit: "tsp" },
    ];
    expect(plain(spoons(cups))).toBe("1 cup 2 tbsp 1 ½ tsp");
    expect([0.25, 2, 0.4, 5 / 3].map((value) => plain(quarters(value)))).toEqual(["¼", "2", "0.4", "1 ⅔"]);
  });

  it("are the same whether they go in or out, in the unit that was chosen", () => {
    const told = (["g", "oz", "spoons"] as const).map((unit) => plain(amountOf(TABLESPOONS, unit, G_PER_OZ)));
    expect(told).toEqual(["20 g", "0.71 oz", "1 tbsp"]);
  });

  it("that have no spoons are said in grams", () => {
    expect(plain(amountOf({ add_g: 0, in_spoons: [] }, "spoons", G_PER_OZ))).toBe("0 g");
  });
});
