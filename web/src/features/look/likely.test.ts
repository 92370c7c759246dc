import { describe, expect, it } from "vitest";
import { likelyFirst } from "./likely";

describe("the likely ones", () => {
  const items = (["none", "few", "throughout", "froth"] as const).map((value) => ({ value }));

  it("stand first, the others keep their order", () => {
    expect(
      likelyFirst<string, (typeof items)[number]>(items, ["throughout", "few"]).map(({ value }) => value),
    ).toEqual(["throughout", "few", "none", "froth"]);
  });

  it("and nothing is lost where nothing is likely", () => {
    expect(likelyFirst<string, (typeof items)[number]>(items, [])).toEqual(items);
  });
});
