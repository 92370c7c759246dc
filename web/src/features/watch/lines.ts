/** Where a jar stands in a picture, as shares of its height from the top and of its width. */
import type { JarLines } from "../../api/types";

export type Handle = keyof JarLines;

/** Across, with the side its grip is on, or down. */
export const ACROSS: readonly Handle[] = ["rim", "level", "line", "bottom"];
export const DOWN: readonly Handle[] = ["left", "right"];

/** A jar in the middle of a picture, fed just now: what is dragged from there is little. */
export const USUAL: JarLines = { bottom: 0.92, line: 0.66, rim: 0.1, level: 0.66, left: 0.2, right: 0.8 };

const APART = 0.03;

function between(value: number, least: number, most: number): number {
  return Math.min(Math.max(value, least), Math.max(least, most));
}

/** The lines with one of them moved; none passes another, and the level goes with the line while they are one. */
export function moved(lines: JarLines, handle: Handle, to: number): JarLines {
  const { bottom, line, rim, level, left, right } = lines;
  switch (handle) {
    case "bottom":
      return { ...lines, bottom: between(to, Math.max(line, level) + APART, 1) };
    case "rim":
      return { ...lines, rim: between(to, 0, Math.min(line - APART, level)) };
    case "line": {
      const next = between(to, rim + APART, bottom - APART);
      return { ...lines, line: next, ...(level === line && { level: next }) };
    }
    case "level":
      return { ...lines, level: between(to, rim, bottom - APART) };
    case "left":
      return { ...lines, left: between(to, 0, right - APART) };
    case "right":
      return { ...lines, right: between(to, left + APART, 1) };
  }
}

/** What differs between two sets of lines, as the later has it. */
export function whatMoved(before: JarLines, after: JarLines): Partial<JarLines> {
  return Object.fromEntries(
    [...ACROSS, ...DOWN].filter((one) => before[one] !== after[one]).map((one) => [one, after[one]]),
  );
}

/** What is proposed around what the baker has moved already; as it stands, where the two cannot be one jar. */
export function aroundOwn(now: JarLines, proposed: JarLines, own: Partial<JarLines>): JarLines {
  const both = { ...proposed, ...own };
  const stands =
    both.rim + APART <= both.line &&
    both.rim <= both.level &&
    Math.max(both.line, both.level) + APART <= both.bottom &&
    both.left + APART <= both.right;
  return stands ? both : now;
}
