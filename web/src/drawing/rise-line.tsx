/** The rise line over all days. Ring = feed, open dot = look, dotted = high mark, dashes = doubled; nights are shaded. */
import { scaleLinear } from "d3-scale";
import { area, line } from "d3-shape";
import { useEffect, useRef } from "react";
import { useWidth } from "../lib/hooks";
import { midnights, nightAround, weekdayAndDate } from "../lib/time";
import {
  cornersOf,
  type Dot,
  type FanPoint,
  fanToDraw,
  levelRange,
  type Round,
  type Stretch,
  timeRange,
} from "./rise-geometry";

const HEIGHT = 300;
const MARGIN = { top: 16, right: 16, bottom: 40, left: 44 };
const LEAST_DAY_PX = 76;
const HALF_A_DATE_PX = 26;
const DAY = 24 * 3_600_000;

export function RiseLine({
  rounds,
  forecast = [],
  now,
  zone,
  summary,
  photos = [],
  chilled = [],
  doubled,
}: {
  readonly rounds: readonly Round[];
  /** The running round's forecast, drawn as a fan. */
  readonly forecast?: readonly FanPoint[];
  readonly now: number;
  readonly zone: string;
  readonly summary: string;
  /** Small pictures along the line, where they were taken. */
  readonly photos?: readonly { readonly id: string; readonly at: number; readonly src: string }[];
  /** When it stood in the fridge. */
  readonly chilled?: readonly Stretch[];
  /** The level that counts as doubled for what the jar holds. */
  readonly doubled: number;
}) {
  const [frame, frameWidth] = useWidth<HTMLDivElement>();
  const scroller = useRef<HTMLElement>(null);
  const fan = fanToDraw(forecast, now);
  const [from, to] = timeRange(rounds, now, fan);
  const width = Math.max(frameWidth, MARGIN.left + MARGIN.right + ((to - from) / DAY) * LEAST_DAY_PX);
  const x = scaleLinear([from, to], [MARGIN.left, width - MARGIN.right]);
  const levels = levelRange(rounds, fan);
  const y = scaleLinear(levels, [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = line<Dot>(
    (dot) => x(dot.at),
    (dot) => y(dot.times),
  );
  const spread = area<FanPoint>(
    (point) => x(point.at),
    (point) => y(point.low),
    (point) => y(point.high),
  );
  const middle = line<FanPoint>(
    (point) => x(point.at),
    (point) => y(point.middle),
  );
  const days = midnights(from, to, zone);

  // The newest days are what a baker comes for.
  useEffect(() => {
    const element = scroller.current;
    if (element && width > 0) element.scrollLeft = element.scrollWidth;
  }, [width]);

  return (
    <div ref={frame}>
      {frameWidth > 0 && (
        <section
          ref={scroller}
          className="overflow-x-auto"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
          tabIndex={0}
          aria-label="Rise line, scrolls sideways"
        >
          {photos.length > 0 && (
            <div aria-hidden="true" className="relative h-16" style={{ width }}>
              {photos.map((photo) => (
                <img
                  key={photo.id}
                  src={photo.src}
                  alt=""
                  loading="lazy"
                  style={{ left: Math.min(Math.max(0, x(photo.at) - 24), width - 48) }}
                  className="absolute top-1 h-14 w-12 rounded border-2 border-card object-cover shadow"
                />
              ))}
            </div>
          )}
          <svg width={width} height={HEIGHT} role="img" aria-label={summary}>
            {days.map((midnight) => {
              const [dusk, morning] = nightAround(midnight);
              const left = Math.max(x(dusk), MARGIN.left);
              const right = Math.min(x(morning), width - MARGIN.right);
              if (right <= left) return null;
              return (
                <rect
                  key={midnight}
                  x={left}
                  width={right - left}
                  y={MARGIN.top}
                  height={HEIGHT - MARGIN.top - MARGIN.bottom}
                  fill="var(--night)"
                />
              );
            })}
            {chilled.map((stretch) => (
              <rect
                key={stretch.from}
                x={x(stretch.from)}
                width={x(stretch.until) - x(stretch.from)}
                y={HEIGHT - MARGIN.bottom - 8}
                height={8}
                fill="var(--water)"
              />
            ))}
            {y.ticks(5).map((tick) => (
              <g key={tick}>
                <line
                  x1={MARGIN.left}
                  x2={width - MARGIN.right}
                  y1={y(tick)}
                  y2={y(tick)}
                  stroke="var(--rule)"
                />
                <text
                  x={MARGIN.left - 8}
                  y={y(tick)}
                  dy="0.35em"
                  textAnchor="end"
                  fontSize={13}
                  fill="var(--soft)"
                >
                  {tick} ×
                </text>
              </g>
            ))}
            {days.map((midnight) => {
              const noon = midnight + DAY / 2;
              if (noon < from || x(noon) > width - HALF_A_DATE_PX) return null;
              return (
                <text
                  key={midnight}
                  x={x(noon)}
                  y={HEIGHT - MARGIN.bottom + 22}
                  textAnchor="middle"
                  fontSize={13}
                  fill="var(--soft)"
                >
                  {weekdayAndDate(noon, zone)}
                </text>
              );
            })}
            <line
              x1={MARGIN.left}
              x2={width - MARGIN.right}
              y1={y(1)}
              y2={y(1)}
              stroke="var(--crust)"
              strokeWidth={1.5}
            />
            <line
              x1={MARGIN.left}
              x2={width - MARGIN.right}
              y1={y(doubled)}
              y2={y(doubled)}
              stroke="var(--leaf)"
              strokeWidth={1.5}
              strokeDasharray="7 5"
            />
            <text x={MARGIN.left + 8} y={y(doubled) - 7} fontSize={13} fill="var(--leaf)">
              doubled
            </text>
            <line
              x1={x(now)}
              x2={x(now)}
              y1={MARGIN.top}
              y2={HEIGHT - MARGIN.bottom}
              stroke="var(--edge)"
              strokeDasharray="2 3"
            />
            <text x={x(now)} y={HEIGHT - 4} textAnchor="middle" fontSize={13} fill="var(--soft)">
              now
            </text>
            {fan.length > 1 && (
              <g>
                <path d={spread(fan) ?? ""} fill="var(--dawn)" opacity={0.22} />
                <path
                  d={middle(fan) ?? ""}
                  fill="none"
                  stroke="var(--dawn)"
                  strokeWidth={2}
                  strokeDasharray="2 5"
                  strokeLinecap="round"
                />
              </g>
            )}
            {rounds.map((round) => (
              <g key={round.at}>
                {round.high !== null && (
                  <line
                    x1={x(round.at)}
                    x2={x(round.until)}
                    y1={y(round.high)}
                    y2={y(round.high)}
                    stroke="var(--soft)"
                    strokeWidth={2}
                    strokeDasharray="1 5"
                    strokeLinecap="round"
                  />
                )}
                <path
                  d={path(cornersOf(round)) ?? ""}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth={2.2}
                  strokeLinejoin="round"
                  strokeLinecap="round"
                />
                {round.dots.map((dot) => (
                  <circle
                    key={dot.at}
                    cx={x(dot.at)}
                    cy={y(dot.times)}
                    r={4.5}
                    fill="var(--card)"
                    stroke="var(--ink)"
                    strokeWidth={2}
                  />
                ))}
              </g>
            ))}
            {rounds.map((round) => (
              <g key={round.at}>
                <circle
                  cx={x(round.at)}
                  cy={y(1)}
                  r={7}
                  fill="var(--card)"
                  stroke="var(--crust)"
                  strokeWidth={3}
                />
              </g>
            ))}
          </svg>
        </section>
      )}
    </div>
  );
}
