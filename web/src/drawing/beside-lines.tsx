/** Several jars on one time, since each feed or over all days: each feed a thin line of what was read, each jar a mark, a
 * dash and a colour. */
import { scaleLinear } from "d3-scale";
import { useWidth } from "../lib/hooks";
import { drawingText } from "../words";

const HEIGHT = 320;
const MARGIN = { top: 16, right: 16, bottom: 40, left: 44 };
const LEAST_HOURS = 12;
const MOST_HOURS = 36;
const LEAST_TIMES = 2.4;
const DAY = 24;
/** Room for the name of a day below the line. */
const DAY_WIDTH = 90;

type Point = { readonly hours: number; readonly times: number };
type Line = { readonly id: string; readonly points: readonly Point[] };
export type BesideLine = { readonly id: string; readonly name: string; readonly feeds: readonly Line[] };

/** Told apart by shape and dash as well, whatever colours one sees. */
const LOOKS = [
  { colour: "var(--ink)", dash: "", d: "M-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0z" },
  { colour: "var(--crust)", dash: "6 4", d: "M-4 -4h8v8h-8z" },
  { colour: "var(--leaf)", dash: "2 3", d: "M0 -5L5 4H-5z" },
  { colour: "var(--water)", dash: "9 3 2 3", d: "M0 -5L5 0L0 5L-5 0z" },
] as const;
const lookOf = (at: number) => LOOKS[at % LOOKS.length] ?? LOOKS[0];

/** A jar's mark as it stands on its line, for the words beside. */
export function BesideMark({ at }: { readonly at: number }) {
  const { colour, dash, d } = lookOf(at);
  return (
    <svg width={34} height={14} viewBox="-17 -7 34 14" aria-hidden className="inline-block align-middle">
      <line x1={-17} x2={17} stroke={colour} strokeWidth={2} strokeDasharray={dash} />
      <path d={d} fill={colour} />
    </svg>
  );
}

export function BesideLines({
  jars,
  over,
  summary,
}: {
  readonly jars: readonly BesideLine[];
  readonly over: "feed" | "days";
  readonly summary: string;
}) {
  const [measured, width] = useWidth<HTMLDivElement>();
  const points = jars.flatMap(({ feeds }) => feeds.flatMap((feed) => feed.points));
  const last = Math.max(LEAST_HOURS, ...points.map((point) => point.hours));
  const hours = over === "feed" ? Math.min(MOST_HOURS, last) : last;
  const days = Math.max(1, Math.ceil(hours / DAY / Math.max(1, Math.floor(width / DAY_WIDTH))));
  const ticks =
    over === "feed"
      ? scaleLinear([0, hours], [0, 1]).ticks(6)
      : Array.from({ length: Math.floor(hours / DAY / days) + 1 }, (_, tick) => tick * days * DAY);
  const times = Math.max(LEAST_TIMES, ...points.map((point) => point.times)) + 0.1;
  const x = scaleLinear([0, hours], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0.9, times], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  return (
    <div ref={measured} className="w-full" dir="ltr">
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-label={summary}>
          {y.ticks(5).map((tick) => (
            <g key={tick}>
              <line
                x1={MARGIN.left}
                x2={width - MARGIN.right}
                y1={y(tick)}
                y2={y(tick)}
                stroke="var(--rule)"
                strokeDasharray={tick === 2 ? "5 4" : ""}
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
          {ticks.map((tick) => (
            <text
              key={tick}
              x={x(tick)}
              y={HEIGHT - MARGIN.bottom + 22}
              textAnchor="middle"
              fontSize={13}
              fill="var(--soft)"
            >
              {over === "feed" ? drawingText.hoursSince(tick) : drawingText.dayNumber(tick / DAY + 1)}
            </text>
          ))}
          {jars.map((jar, at) => {
            const { colour, dash, d } = lookOf(at);
            return jar.feeds.map((feed) => {
              const shown = feed.points.filter((point) => point.hours <= hours);
              return (
                <g key={`${jar.id}-${feed.id}`}>
                  <polyline
                    points={shown.map((point) => `${x(point.hours)},${y(point.times)}`).join(" ")}
                    fill="none"
                    stroke={colour}
                    strokeOpacity={0.55}
                    strokeWidth={1.5}
                    strokeDasharray={dash}
                  />
                  {shown.map((point) => (
                    <path
                      key={point.hours}
                      d={d}
                      fill={colour}
                      transform={`translate(${x(point.hours)} ${y(point.times)})`}
                    />
                  ))}
                </g>
              );
            });
          })}
        </svg>
      )}
    </div>
  );
}
