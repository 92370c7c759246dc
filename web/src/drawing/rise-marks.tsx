/** The marks of the rise line: the rounds with their looks, stays in the fridge, and the forecast as a fan. */
import { area, line } from "d3-shape";
import type { Frame } from "./rise-frame";
import { cornersOf, type Dot, type FanPoint, type Round, type Stretch } from "./rise-geometry";

const FRIDGE_PX = 8;

export function Chilled({
  x,
  height,
  margin,
  stretches,
}: Frame & { readonly stretches: readonly Stretch[] }) {
  return stretches.map((stretch) => (
    <rect
      key={stretch.from}
      x={x(stretch.from)}
      width={x(stretch.until) - x(stretch.from)}
      y={height - margin.bottom - FRIDGE_PX}
      height={FRIDGE_PX}
      fill="var(--water)"
    />
  ));
}

export type Turned = {
  readonly id: string;
  readonly at: number;
  readonly title: string;
  readonly line: string;
};

/** What was changed on the way: a flag at its hour, its words when it is pointed at. */
export function Turns({ x, height, margin, turns }: Frame & { readonly turns: readonly Turned[] }) {
  return turns.map(({ id, at, title, line }) => (
    <g key={id} stroke="var(--crust)" fill="var(--crust)">
      <title>{`${title} ${line}`}</title>
      <path d={`M${x(at)} ${margin.top}V${height - margin.bottom}`} strokeDasharray="1 5" strokeWidth="2" />
      <path d={`M${x(at)} ${margin.top}h11l-4 5 4 5h-11z`} strokeWidth="1" />
    </g>
  ));
}

/** Four of five fall inside it. */
export function Fan({ x, y, points }: Frame & { readonly points: readonly FanPoint[] }) {
  if (points.length < 2) return null;
  const spread = area<FanPoint>(
    (point) => x(point.at),
    (point) => y(point.low),
    (point) => y(point.high),
  );
  const middle = line<FanPoint>(
    (point) => x(point.at),
    (point) => y(point.middle),
  );
  return (
    <g>
      <path d={spread(points) ?? ""} fill="var(--dawn)" opacity={0.22} />
      <path
        d={middle(points) ?? ""}
        fill="none"
        stroke="var(--dawn)"
        strokeWidth={2}
        strokeDasharray="2 5"
        strokeLinecap="round"
      />
    </g>
  );
}

const isWatched = (dot: Dot) => typeof dot.error === "number";
const isLooked = (dot: Dot) => !isWatched(dot);

/** Every round from its feed on; the rings of the feeds lie over all else. */
export function Rounds({ x, y, rounds }: Frame & { readonly rounds: readonly Round[] }) {
  const path = line<Dot>(
    (dot) => x(dot.at),
    (dot) => y(dot.times),
  );
  const band = area<Dot>(
    (dot) => x(dot.at),
    (dot) => y(dot.times - (dot.error ?? 0)),
    (dot) => y(dot.times + (dot.error ?? 0)),
  );
  return (
    <>
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
          <path d={band(round.dots.filter(isWatched)) ?? ""} fill="var(--crust)" opacity={0.25} />
          {round.dots.filter(isLooked).map((dot) => (
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
        <circle
          key={round.at}
          cx={x(round.at)}
          cy={y(1)}
          r={7}
          fill="var(--card)"
          stroke="var(--crust)"
          strokeWidth={3}
        />
      ))}
    </>
  );
}
