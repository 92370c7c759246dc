/** The paper of the rise line: nights, days, levels, the line itself and what counts as doubled, and now. */
import { midnights, nightAround, weekdayAndDate } from "../lib/time";
import { drawingText } from "../words";
import type { Frame } from "./rise-frame";

const HALF_A_DATE_PX = 26;
const HALF_A_DAY = 12 * 3_600_000;

type Days = { readonly from: number; readonly to: number; readonly zone: string };

export function Nights({ x, width, height, margin, from, to, zone }: Frame & Days) {
  return midnights(from, to, zone).map((midnight) => {
    const [dusk, morning] = nightAround(midnight);
    const left = Math.max(x(dusk), margin.left);
    const right = Math.min(x(morning), width - margin.right);
    if (right <= left) return null;
    return (
      <rect
        key={midnight}
        x={left}
        width={right - left}
        y={margin.top}
        height={height - margin.top - margin.bottom}
        fill="var(--night)"
      />
    );
  });
}

export function Days({ x, width, height, margin, from, to, zone }: Frame & Days) {
  return midnights(from, to, zone).map((midnight) => {
    const noon = midnight + HALF_A_DAY;
    if (noon < from || x(noon) > width - HALF_A_DATE_PX) return null;
    return (
      <text
        key={midnight}
        x={x(noon)}
        y={height - margin.bottom + 22}
        textAnchor="middle"
        fontSize={13}
        fill="var(--soft)"
      >
        {weekdayAndDate(noon, zone)}
      </text>
    );
  });
}

/** What is written over lines stands off them. */
const HALO = { stroke: "var(--card)", strokeWidth: 4, paintOrder: "stroke" } as const;

type Doubled = { readonly doubled: number };

/** The levels, the line, and the level that counts as doubled. */
export function Levels(frame: Frame & Doubled) {
  const { y, width, margin, doubled } = frame;
  const across = { x1: margin.left, x2: width - margin.right };
  return (
    <>
      {y.ticks(5).map((tick) => (
        <line key={tick} {...across} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
      ))}
      <line {...across} y1={y(1)} y2={y(1)} stroke="var(--crust)" strokeWidth={1.5} />
      <line
        {...across}
        y1={y(doubled)}
        y2={y(doubled)}
        stroke="var(--leaf)"
        strokeWidth={1.5}
        strokeDasharray="7 5"
      />
      <LevelNames {...frame} />
    </>
  );
}

function LevelNames({
  y,
  margin,
  doubled,
  halo = {},
}: Pick<Frame, "y" | "margin"> & Doubled & { readonly halo?: typeof HALO | Record<string, never> }) {
  return (
    <>
      {y.ticks(5).map((tick) => (
        <text
          key={tick}
          x={margin.left - 8}
          y={y(tick)}
          dy="0.35em"
          textAnchor="end"
          fontSize={13}
          fill="var(--soft)"
        >
          {tick} ×
        </text>
      ))}
      <text x={margin.left + 8} y={y(doubled) - 7} fontSize={13} fill="var(--leaf)" {...halo}>
        {drawingText.doubled}
      </text>
    </>
  );
}

/** What the levels are called, over a drawing that is scrolled sideways beneath. */
export function LevelsThatStay(frame: Pick<Frame, "y" | "height" | "margin"> & Doubled) {
  const { height, margin } = frame;
  return (
    <svg
      aria-hidden="true"
      width={margin.left}
      height={height}
      className="pointer-events-none sticky left-0 overflow-visible col-start-1 row-start-1"
    >
      <rect width={margin.left} height={height} fill="var(--card)" />
      <LevelNames {...frame} halo={HALO} />
    </svg>
  );
}

export function Now({ x, height, margin, now }: Frame & { readonly now: number }) {
  return (
    <>
      <line
        x1={x(now)}
        x2={x(now)}
        y1={margin.top}
        y2={height - margin.bottom}
        stroke="var(--edge)"
        strokeDasharray="2 3"
      />
      <text x={x(now)} y={height - 4} textAnchor="middle" fontSize={13} fill="var(--soft)">
        {drawingText.now}
      </text>
    </>
  );
}
