import { describe, expect, it } from "vitest";
import { FLOUR_WORDS } from "../words";
import { mixColour } from "./colours";
import { bubblesIn, insideMm, widthMm, widthsMm } from "./jar-geometry";
import { jarState } from "./jar-state";
import { cornersOf, fanToDraw, levelRange, timeRange } from "./rise-geometry";

const GLASS = { volumeMl: 370, heightMm: 100, flare: 1 };
const DAY = 24 * 3_600_000;

describe("the jar", () => {
  it("is drawn to scale: its width holds its volume", () => {
    const radius = widthMm(GLASS) / 2;
    expect(Math.PI * radius ** 2 * GLASS.heightMm).toBeCloseTo(GLASS.volumeMl * 1000);
  });

  it("that opens holds as much: a cone cut off", () => {
    const { foot, rim } = widthsMm({ ...GLASS, flare: 1.4 });
    expect(rim / foot).toBeCloseTo(1.4);
    const [small, large] = [foot / 2, rim / 2];
    const volume = (Math.PI * GLASS.heightMm * (small ** 2 + small * large + large ** 2)) / 3;
    expect(volume).toBeCloseTo(GLASS.volumeMl * 1000);
  });

  it("never stands above its rim", () => {
    expect(insideMm(60, GLASS)).toBe(60);
    expect(insideMm(270, GLASS)).toBe(100);
  });

  it("has the same bubbles every time, inside the mix, more where more were seen", () => {
    const some = bubblesIn(70, 100, 60, "throughout");
    expect(some).toEqual(bubblesIn(70, 100, 60, "throughout"));
    expect(some.length).toBeGreaterThan(bubblesIn(70, 100, 60, "few").length);
    for (const bubble of some) {
      expect(bubble.x).toBeGreaterThan(0);
      expect(bubble.x).toBeLessThan(70);
      expect(bubble.y).toBeGreaterThan(40);
      expect(bubble.y).toBeLessThan(100);
    }
    expect(bubblesIn(70, 100, 60, null)).toEqual([]);
  });

  it("mixes the colours of its flours by weight", () => {
    expect(mixColour([{ flour: "rye", g: 10 }])).toBe("rgb(172 142 108)");
    expect(
      mixColour([
        { flour: "rye", g: 1 },
        { flour: "white", g: 1 },
      ]),
    ).toBe("rgb(203 181 149)");
    expect(mixColour([])).toMatch(/^rgb/);
  });

  it.each(Object.keys(FLOUR_WORDS))("has a colour of its own for %s", (flour) => {
    expect(mixColour([{ flour, g: 1 }])).not.toBe(mixColour([{ flour: "sawdust", g: 1 }]));
  });

  it("shows a high mark only where the mix has sunk", () => {
    const jar = { volume_ml: 370, height_mm: 100, flare: 1 };
    const marks = [
      { mm: 6, ml: 22.2, times: 0.2 },
      { mm: 100, ml: 370, times: 100 / 30 },
    ];
    const since = {
      last: { times: 1.6 },
      highest: { times: 2.1 },
      bubbles: null,
      top: [],
      has_sunk: true,
    };
    const known = {
      jar,
      in_jar: { flours: [], line_mm: 30, marks },
      since_feed: since,
      binned_at: null,
    };
    expect(jarState(known).levelMm).toBeCloseTo(48);
    expect(jarState(known).highMm).toBeCloseTo(63);
    expect(jarState({ ...known, since_feed: { ...since, has_sunk: false } }).highMm).toBeNull();
    expect(jarState({ ...known, in_jar: null, since_feed: null })).toMatchObject({
      lineMm: null,
      levelMm: 0,
    });
  });
});

describe("the rise line", () => {
  const round = {
    at: 0,
    until: 100,
    high: null,
    ratio: "1:1:1",
    dots: [
      { at: 9, times: 2.6 },
      { at: 4, times: 1.2 },
    ],
  };

  it("starts each round at its line and goes through the looks in order", () => {
    expect(cornersOf(round).map((dot) => dot.times)).toEqual([1, 1.2, 2.6]);
  });

  it("always has doubling in sight, and the highest level too", () => {
    expect(levelRange([], 2)[1]).toBeGreaterThan(2);
    expect(levelRange([round], 2)[1]).toBeGreaterThan(2.6);
    expect(levelRange([{ ...round, dots: [{ at: 1, times: 0.6 }] }], 2)[0]).toBeLessThan(0.6);
    expect(levelRange([{ ...round, high: 3.1 }], 2)[1]).toBeGreaterThan(3.1);
  });

  it("keeps the forecast in sight, but not all of it", () => {
    const hour = 3_600_000;
    const fan = [0, 10, 20, 30, 60].map((h) => ({ at: h * hour, low: 1, middle: 1.5, high: 3.1 }));
    const drawn = fanToDraw(fan, 8 * hour);
    expect(drawn.map((point) => point.at / hour)).toEqual([0, 10, 20]);
    expect(levelRange([round], 2, drawn)[1]).toBeGreaterThan(3.1);
    expect(timeRange([round], 49 * hour, fan)[1]).toBe(60 * hour);
    expect(fanToDraw([], 0)).toEqual([]);
  });

  it("shows at least two days, and now", () => {
    const [from, to] = timeRange([round], 1000);
    expect(to - from).toBeGreaterThanOrEqual(2 * DAY);
    expect(timeRange([round], 9 * DAY)[1]).toBeGreaterThan(9 * DAY);
  });
});
