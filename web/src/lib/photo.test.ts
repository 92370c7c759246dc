import { describe, expect, it } from "vitest";
import { readPhoto } from "./photo";

const at = (x: number, y: number) => ({ x, y });

describe("a level read off a photo", () => {
  it("is the height over the bottom, held against the mark's", () => {
    const read = readPhoto({ bottom: at(0.5, 0.9), mark: at(0.5, 0.6), level: at(0.5, 0.3) }, 0.75);
    expect(read?.times).toBe(2);
    expect(read?.low).toBeLessThan(2);
    expect(read?.high).toBeGreaterThan(2);
  });

  it("goes along the jar's axis when the phone is tilted, whatever the picture's shape", () => {
    const turn = (15 * Math.PI) / 180;
    for (const aspect of [0.75, 1, 1.6]) {
      const place = (height: number) =>
        at(0.5 + (height * Math.sin(turn)) / aspect, 0.9 - height * Math.cos(turn));
      const read = readPhoto({ bottom: place(0), mark: place(0.25), level: place(0.45) }, aspect);
      expect(read?.times).toBeCloseTo(1.8, 2);
    }
  });

  it("is surer the larger the jar stands in the picture", () => {
    const small = readPhoto({ bottom: at(0.5, 0.6), mark: at(0.5, 0.55), level: at(0.5, 0.5) }, 1);
    const large = readPhoto({ bottom: at(0.5, 0.95), mark: at(0.5, 0.55), level: at(0.5, 0.15) }, 1);
    expect((small?.high ?? 0) - (small?.low ?? 0)).toBeGreaterThan((large?.high ?? 9) - (large?.low ?? 0));
  });

  it("says nothing while the points make no jar", () => {
    expect(readPhoto({ bottom: at(0.5, 0.5), mark: at(0.5, 0.5), level: at(0.5, 0.1) }, 1)).toBeNull();
  });
});
