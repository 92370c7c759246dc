import { expect, test } from "vitest";
import { aroundOwn, moved, USUAL, whatMoved } from "./lines";

const FOUND = { bottom: 0.9, line: 0.6, rim: 0.2, level: 0.5, left: 0.25, right: 0.75 };

test("the level goes with the line until it is moved by itself", () => {
  expect(moved(USUAL, "line", 0.5)).toMatchObject({ line: 0.5, level: 0.5 });
  expect(moved({ ...USUAL, level: 0.4 }, "line", 0.5)).toMatchObject({ line: 0.5, level: 0.4 });
});

test("no line passes another", () => {
  expect(moved(USUAL, "bottom", 0.1).bottom).toBeCloseTo(0.69);
  expect(moved(USUAL, "rim", 0.9).rim).toBeCloseTo(0.63);
});

test("what is found comes around what the baker has moved", () => {
  const next = moved(USUAL, "bottom", 0.95);
  const own = whatMoved(USUAL, next);
  expect(own).toEqual({ bottom: 0.95 });
  expect(aroundOwn(next, FOUND, own)).toEqual({ ...FOUND, bottom: 0.95 });
});

test("what cannot be one jar with what was moved is left out", () => {
  const next = moved(USUAL, "bottom", 0.55);
  const far = { ...FOUND, line: 0.68, level: 0.68 };
  expect(aroundOwn(next, far, { bottom: 0.55 })).toBe(next);
});
