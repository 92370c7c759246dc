/** Two simulated lines on one time: what was, drawn through, and what might have been, dashed; looks as open dots. */
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { useWidth } from "../lib/hooks";
import { Days, Levels, Nights } from "./rise-axes";

const HEIGHT = 280;
const MARGIN = { top: 16, right: 16, bottom: 40, left: 44 };

type Point = { readonly at: number; readonly level: number };

export function TwoLines({
  was,
  might,
  read,
  changedAt,
  zone,
  summary,
  doubled,
}: {
  readonly was: readonly Point[];
  readonly might: readonly Point[];
  readonly read: readonly Point[];
  readonly changedAt: number;
  readonly zone: string;
  readonly summary: string;
  readonly doubled: number;
}) {
  const [frame, width] = useWidth<HTMLDivElement>();
  const all = [...was, ...might];
  const from = Math.min(...all.map(({ at }) => at));
  const to = Math.max(...all.map(({ at }) => at));
  const x = scaleLinear([from, to], [MARGIN.left, Math.max(width, 200) - MARGIN.right]);
  const highest = Math.max(doubled, ...all.map(({ level }) => level));
  const y = scaleLinear([0.85, highest + 0.15], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const place = { x, y, width, height: HEIGHT, margin: MARGIN };
  const drawn = line<Point>(
    (one) => x(one.at),
    (one) => y(one.level),
  );
  return (
    <div ref={frame}>
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-label={summary}>
          <Nights {...place} from={from} to={to} zone={zone} />
          <Levels {...place} doubled={doubled} />
          <Days {...place} from={from} to={to} zone={zone} />
          <path
            d={`M${x(changedAt)} ${MARGIN.top}V${HEIGHT - MARGIN.bottom}`}
            stroke="var(--soft)"
            strokeDasharray="2 3"
          />
          <path d={drawn(was) ?? ""} fill="none" stroke="var(--ink)" strokeWidth={2.2} />
          <path
            d={drawn(might) ?? ""}
            fill="none"
            stroke="var(--crust)"
            strokeWidth={3}
            strokeDasharray="7 5"
          />
          {read
            .filter(({ at }) => from <= at && at <= to)
            .map((one) => (
              <circle
                key={one.at}
                cx={x(one.at)}
                cy={y(one.level)}
                r={4.5}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={2}
              />
            ))}
        </svg>
      )}
    </div>
  );
}
