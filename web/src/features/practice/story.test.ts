import { describe, expect, test } from "vitest";
import type { PracticeFrame, PracticeLived } from "../../api/types";
import { asFile, clockAt, drawnAt, frameAt, fromFile, levelAt, nextEvent, seedFrom } from "./story";

function frame(at_h: number, level: number, more: Partial<PracticeFrame> = {}): PracticeFrame {
  return {
    at_h,
    level,
    high: level,
    fallen: false,
    bubbles: "none",
    top: ["flat"],
    smell: ["floury"],
    thickness: null,
    celsius: 22,
    line_mm: 30,
    volume_ml: 370,
    height_mm: 110,
    ...more,
  };
}

const LIVED: PracticeLived = {
  begins_h: 10,
  ends_h: 12,
  ended_h: 12,
  ran_over_h: null,
  flours: { rye: 1 },
  fed_h: [0],
  offered: ["wait", "feed"],
  frames: [
    frame(10, 1),
    frame(10.5, 1.2),
    frame(11, 1.4, { bubbles: "few" }),
    frame(12, 1.3, { bubbles: "few", fallen: true, high: 1.4 }),
  ],
};

describe("a practice jar's story", () => {
  test("the clock begins at eight on the first day", () => {
    expect(clockAt(0)).toEqual({ day: 1, minutes: 480 });
    expect(clockAt(16.5)).toEqual({ day: 2, minutes: 30 });
  });

  test("the last frame that has come is shown, its level between two", () => {
    expect(frameAt(LIVED, 10.9)?.at_h).toBe(10.5);
    expect(levelAt(LIVED, 10.75)).toBeCloseTo(1.3);
    expect(levelAt(LIVED, 99)).toBe(1.3);
  });

  test("a feed is no slope", () => {
    const fed = { ...LIVED, frames: [frame(10, 2), frame(10.5, 1)] };
    expect(levelAt(fed, 10.4)).toBe(2);
  });

  test("something happens where something else is to be seen; else it is the end", () => {
    expect(nextEvent(LIVED, 10)).toBe(11);
    expect(nextEvent(LIVED, 11)).toBe(12);
    expect(nextEvent(LIVED, 12)).toBe(12);
  });

  test("it is drawn with its smear, and never above the rim", () => {
    expect(drawnAt(LIVED, 10)).toMatchObject({ levelMm: 30, highMm: null });
    expect(drawnAt(LIVED, 12)).toMatchObject({ highMm: 42 });
    const tall = { ...LIVED, frames: [frame(10, 9)] };
    expect(drawnAt(tall, 10)).toMatchObject({ levelMm: 110 });
  });
});

describe("a link and a result", () => {
  test("a seed is a whole number", () => {
    expect([seedFrom("12"), seedFrom("-1"), seedFrom("x"), seedFrom(null)]).toEqual([12, null, null, null]);
  });

  test("a result goes out and comes in", () => {
    const result = {
      name: "Noor",
      situation: "pink" as const,
      seed: 4,
      acts: [{ at_h: 121, what: "bin" as const }],
    };
    expect(fromFile(asFile(result))).toEqual(result);
  });

  test("what is no result is none", () => {
    for (const text of ["", "{}", "[1]", '{"format":"despertar.practice","name":1}'])
      expect(fromFile(text)).toBeNull();
  });
});
