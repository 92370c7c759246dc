/** The drawn jar: glass to scale, the mix at its level, the line, the high mark. The same marks at every size. */
import { useId } from "react";
import { bubblesIn, type Glass, levelMm, mixPath, type Surface, widthMm } from "./jar-geometry";

export type JarState = {
  readonly glass: Glass;
  /** Height of the line in mm; null before the first mix. */
  readonly lineMm: number | null;
  /** The level as a multiple of the line. */
  readonly times: number;
  /** The highest level seen since the feed, when the mix has sunk below it. */
  readonly highest: number | null;
  readonly colour: string;
  readonly bubbles: string | null;
  readonly top: readonly string[];
  readonly gone: boolean;
};

const WALL = 2.4;
const LID = 9;

function surfaceOf(top: readonly string[]): Surface {
  if (top.includes("domed")) return "domed";
  return top.includes("sunken") ? "sunken" : "flat";
}

function Mix({ state, width, bottom }: { state: JarState; width: number; bottom: number }) {
  const level = levelMm(state.times, state.lineMm ?? 0, state.glass);
  const wet = state.top.includes("liquid");
  return (
    <g>
      <path d={mixPath(width, bottom, level, surfaceOf(state.top), 7)} fill={state.colour} />
      {bubblesIn(width, bottom, level, state.bubbles).map((bubble) => (
        <circle
          key={`${bubble.x}-${bubble.y}`}
          cx={bubble.x}
          cy={bubble.y}
          r={bubble.r}
          fill="#fff8"
          stroke="#5b452c55"
          strokeWidth={0.4}
        />
      ))}
      {wet && <rect x={0} y={bottom - level} width={width} height={3} fill="#6b5b46" opacity={0.55} />}
      {state.top.includes("white_film") && (
        <path
          d={`M 0 ${bottom - level} q ${width / 12} -2.4 ${width / 6} 0 t ${width / 6} 0 t ${width / 6} 0 t ${width / 6} 0 t ${width / 6} 0 t ${width / 6} 0`}
          fill="none"
          stroke="#fff"
          strokeWidth={1.8}
        />
      )}
      {state.top.includes("fuzzy_spots") &&
        [0.22, 0.5, 0.71].map((across) => (
          <circle
            key={across}
            cx={width * across}
            cy={bottom - level}
            r={3.6}
            fill="#5d7358"
            stroke="#3d4f3a"
            strokeWidth={1.2}
            strokeDasharray="0.8 0.8"
          />
        ))}
      {state.top.includes("coloured_streaks") && (
        <path
          d={`M ${width * 0.2} ${bottom - level + 1} q 8 5 18 1 t 16 3`}
          fill="none"
          stroke="#c2566b"
          strokeWidth={2.4}
        />
      )}
    </g>
  );
}

/** `scale` is px for a mm. The picture has the size of the glass and its lid; its meaning is told beside it. */
export function JarDrawing({
  state,
  scale,
  lid = true,
}: {
  readonly state: JarState;
  readonly scale: number;
  readonly lid?: boolean;
}) {
  const clip = useId();
  const width = widthMm(state.glass);
  const height = state.glass.heightMm;
  const top = lid ? LID : 1;
  const bottom = top + height;
  const line = state.lineMm === null ? null : bottom - state.lineMm;
  const high =
    state.highest !== null && state.lineMm !== null
      ? levelMm(state.highest, state.lineMm, state.glass)
      : null;
  const view = `${-WALL - 1} 0 ${width + 2 * WALL + 2} ${bottom + WALL + 1}`;
  return (
    <svg
      viewBox={view}
      width={(width + 2 * WALL + 2) * scale}
      height={(bottom + WALL + 1) * scale}
      aria-hidden="true"
      className={state.gone ? "opacity-60 grayscale" : ""}
    >
      <clipPath id={clip}>
        <path d={`M 0 ${top} H ${width} V ${bottom - 7} q 0 7 -7 7 H 7 q -7 0 -7 -7 Z`} />
      </clipPath>
      <g clipPath={`url(#${CSS.escape(clip)})`}>
        <rect x={0} y={top} width={width} height={height} fill="var(--glass)" />
        {state.lineMm !== null && <Mix state={state} width={width} bottom={bottom} />}
        {high !== null && (
          <line
            x1={0}
            x2={width}
            y1={bottom - high}
            y2={bottom - high}
            stroke="var(--soft)"
            strokeWidth={1.1}
            strokeDasharray="1.4 2.2"
          />
        )}
        <rect
          x={width * 0.09}
          y={top + 4}
          width={3}
          height={height * 0.8}
          rx={1.5}
          fill="#fff"
          opacity={0.28}
        />
      </g>
      <path
        d={`M ${-WALL / 2} ${top} V ${bottom - 7} q 0 ${7 + WALL / 2} ${7 + WALL / 2} ${7 + WALL / 2} H ${width - 7} q ${7 + WALL / 2} 0 ${7 + WALL / 2} ${-7 - WALL / 2} V ${top}`}
        fill="none"
        stroke="var(--glass-edge)"
        strokeWidth={WALL}
      />
      {lid && (
        <path
          d={`M ${-WALL} ${top + 1} q ${(width + 2 * WALL) / 2} ${-LID * 1.5} ${width + 2 * WALL} 0 q ${-(width + 2 * WALL) / 2} 3.4 ${-(width + 2 * WALL)} 0 Z`}
          fill="var(--card)"
          stroke="var(--glass-edge)"
          strokeWidth={1}
        />
      )}
      {line !== null && (
        <g>
          <rect
            x={-WALL}
            y={line - 3.2}
            width={12}
            height={6.4}
            fill="var(--card)"
            stroke="var(--edge)"
            strokeWidth={0.5}
          />
          <line x1={-WALL} x2={width * 0.55} y1={line} y2={line} stroke="var(--crust)" strokeWidth={1.5} />
        </g>
      )}
    </svg>
  );
}

/** Where the foot and the rim of the glass lie in the picture of `JarDrawing`, in px from its top. */
export function glassSpan(
  glass: Glass,
  scale: number,
  lid: boolean,
): { readonly rim: number; readonly foot: number } {
  const top = lid ? LID : 1;
  return { rim: top * scale, foot: (top + glass.heightMm) * scale };
}
