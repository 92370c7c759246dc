import { describe, expect, it } from "vitest";
import type { SignChoices } from "../../api/types";
import { bodyOf, isBlank, lookOf, NOTHING } from "./described";

const CHOICES: SignChoices = {
  ages: [{ age: "middle", days: 4.5 }],
  since: [{ since: "half", hours: 9 }],
  levels: [
    { level: "line", times: 1, high: null },
    { level: "fallen", times: 1.2, high: 2 },
  ],
};

describe("a jar described by presses", () => {
  it("is blank until something is seen or smelt; age alone says nothing", () => {
    expect(isBlank(NOTHING)).toBe(true);
    expect(isBlank({ ...NOTHING, age: "old", began: "sour" })).toBe(true);
    expect(isBlank({ ...NOTHING, smell: ["fruity"] })).toBe(false);
    expect(isBlank({ ...NOTHING, level: "line" })).toBe(false);
  });

  it("leaves out what nobody looked at", () => {
    expect(bodyOf(NOTHING, CHOICES)).toMatchObject({
      days: 4.5,
      since_feed_h: 9,
      times: null,
      high: null,
      bubbles: null,
      begun_sour: false,
    });
  });

  it("tells a fallen jar by its high mark", () => {
    const { times, high } = bodyOf({ ...NOTHING, level: "fallen" }, CHOICES);
    expect(times).toBeLessThan(high ?? 0);
  });
});

describe("the same as a look at a jar of the shelf", () => {
  it("says only what was pressed", () => {
    const look = lookOf({ ...NOTHING, level: "fallen", top: ["sunken"] }, "2026-03-04T08:00:00Z", CHOICES);
    expect(look).toMatchObject({ kind: "look", top: ["sunken"], bubbles: null, ph: null, note: "" });
    expect(look.level?.value).toBeLessThan(look.high?.value ?? 0);
    expect(lookOf(NOTHING, "2026-03-04T08:00:00Z", CHOICES).level).toBeNull();
  });
});
