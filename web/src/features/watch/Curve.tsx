/** A feed's level as a camera saw it: a line with a thin band, gaps where it was blind, and what it came to. */
import { scaleLinear } from "d3-scale";
import { area, line } from "d3-shape";
import { Levels, Nights } from "../../drawing/rise-axes";
import type { Frame } from "../../drawing/rise-frame";
import { useWidth } from "../../lib/hooks";
import { clock } from "../../lib/time";
import { watchText } from "../../words";
import type { Seen } from "./seen";

const HEIGHT = 260;
/** So that the ring of the feed lies on no label. */
const RING = 10;
const MARGIN = { top: 16, right: 16, bottom: 40, left: 44 };
/** Further apart than this nothing is drawn between two pictures. */
const APART = 50 * 60_000;

export function Curve({
  seen,
  at,
  zone,
  now,
  moment,
}: {
  readonly seen: Seen;
  /** The time of the picture that is looked at. */
  readonly at: number | null;
  readonly zone: string;
  readonly now: number;
  readonly moment: string;
}) {
  const [frame, width] = useWidth<HTMLDivElement>();
  const { points, fedAt, doubled } = seen;
  const to = Math.max(points.at(-1)?.at ?? now, fedAt + 3_600_000);
  const highest = Math.max(doubled, ...points.map(({ level }) => level ?? 1));
  const lowest = Math.min(0.95, ...points.map(({ level }) => level ?? 1));
  const x = scaleLinear([fedAt, to], [MARGIN.left + RING, Math.max(width, 200) - MARGIN.right]);
  const y = scaleLinear([lowest - 0.05, highest + 0.2], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const read = points.flatMap((one) =>
    one.level === null ? [] : [{ at: one.at, level: one.level, error: one.error ?? 0 }],
  );
  const unread = points.filter(({ level }) => level === null);
  const stretches = apart(read);
  const drawn = line<(typeof read)[number]>(
    (one) => x(one.at),
    (one) => y(one.level),
  );
  const band = area<(typeof read)[number]>(
    (one) => x(one.at),
    (one) => y(one.level - one.error),
    (one) => y(one.level + one.error),
  );
  const place = { x, y, width, height: HEIGHT, margin: MARGIN };
  return (
    <div ref={frame}>
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-label={watchText.curve(moment, points.length)}>
          <Nights {...place} from={fedAt} to={to} zone={zone} />
          <Levels {...place} doubled={doubled} />
          <Hours {...place} from={fedAt} to={to} zone={zone} />
          {stretches.map((stretch) => (
            <g key={stretch[0]?.at}>
              <path d={band(stretch) ?? ""} fill="var(--crust)" opacity={0.22} />
              <path
                d={drawn(stretch) ?? ""}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={2.4}
                strokeLinejoin="round"
                strokeLinecap="round"
              />
            </g>
          ))}
          {unread.map((one) => (
            <path
              key={one.at}
              d={`M${x(one.at)} ${HEIGHT - MARGIN.bottom}v-7`}
              stroke="var(--soft)"
              strokeWidth={2}
            />
          ))}
          <circle cx={x(fedAt)} cy={y(1)} r={7} fill="var(--card)" stroke="var(--crust)" strokeWidth={3} />
          {at !== null && (
            <path
              d={`M${x(at)} ${MARGIN.top}V${HEIGHT - MARGIN.bottom}`}
              stroke="var(--water)"
              strokeWidth={2}
            />
          )}
        </svg>
      )}
    </div>
  );
}

const HOUR = 3_600_000;
/** So near each other two hours can be read still. */
const LEAST_PX = 64;

/** The hours of the clock, as many as have room. */
function Hours({
  x,
  height,
  margin,
  from,
  to,
  zone,
}: Frame & { readonly from: number; readonly to: number; readonly zone: string }) {
  const wide = x(from + HOUR) - x(from);
  const every = [1, 2, 3, 6, 12, 24].find((hours) => hours * wide >= LEAST_PX) ?? 24;
  const first = Math.ceil(from / HOUR);
  const hours = Array.from({ length: Math.max(0, Math.floor(to / HOUR) - first + 1) }, (_, at) => first + at);
  return hours
    .filter((hour) => hour % every === 0)
    .map((hour) => (
      <g key={hour}>
        <path d={`M${x(hour * HOUR)} ${height - margin.bottom}v6`} stroke="var(--edge)" strokeWidth={1.5} />
        <text
          x={x(hour * HOUR)}
          y={height - margin.bottom + 22}
          textAnchor="middle"
          fill="var(--soft)"
          fontSize={13}
        >
          {clock(hour * HOUR, zone)}
        </text>
      </g>
    ));
}

function apart<One extends { readonly at: number }>(read: readonly One[]): One[][] {
  const found: One[][] = [];
  for (const one of read) {
    const last = found.at(-1)?.at(-1);
    if (last && one.at - last.at < APART) found.at(-1)?.push(one);
    else found.push([one]);
  }
  return found;
}
