/** The drawn jar: glass to scale, the mix at its level, the line, the high mark. The same marks at every size. */
import { useId } from "react";
import { bubblesIn, type Glass, insideMm, mixPath, type Surface, widthMm, widthsMm } from "./jar-geometry";

export type JarState = {
  readonly glass: Glass;
  /** Height of the line in mm; null before the first mix. */
  readonly lineMm: number | null;
  /** Height of the mix in mm. */
  readonly levelMm: number;
  /** The highest that it stood since the feed, when it has sunk below that. */
  readonly highMm: number | null;
  readonly colour: string;
  readonly bubbles: string | null;
  readonly top: readonly string[];
  readonly gone: boolean;
};

const WALL = 1.9;
/** Room above the rim for the cloth, and how far it hangs over. */
const LID = 6;
const HANG = 9;

function surfaceOf(top: readonly string[]): Surface {
  if (top.includes("domed")) return "domed";
  return top.includes("sunken") ? "sunken" : "flat";
}

function Mix({ state, width, bottom }: { state: JarState; width: number; bottom: number }) {
  const level = insideMm(state.levelMm, state.glass);
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

/** A cloth over the mouth, tied with a string: closed to flies, open to air. */
function Cloth({ width, top }: { width: number; top: number }) {
  const from = -WALL - 1.5;
  const wide = width + 2 * WALL + 3;
  const folds = 6;
  const fold = wide / folds;
  const hem = Array.from({ length: folds }, () => `q ${-fold / 2} ${3.2} ${-fold} 0`).join(" ");
  return (
    <g>
      <path
        d={`M ${from} ${top + HANG} L ${from + 1} ${top} Q ${from + 2} ${top - 3} ${from + 8} ${top - 3.5} Q ${width / 2} ${top - LID + 0.5} ${from + wide - 8} ${top - 3.5} Q ${from + wide - 2} ${top - 3} ${from + wide - 1} ${top} L ${from + wide} ${top + HANG} ${hem} Z`}
        fill="var(--cloth)"
        stroke="var(--edge)"
        strokeWidth={0.9}
        strokeLinejoin="round"
      />
      {Array.from({ length: folds - 1 }, (_, index) => from + fold * (index + 1)).map((x) => (
        <line
          key={x}
          x1={x}
          x2={x + (width / 2 - x) * 0.04}
          y1={top + HANG}
          y2={top + 4}
          stroke="var(--edge)"
          strokeWidth={0.5}
          opacity={0.7}
        />
      ))}
      <path
        d={`M ${from + 0.6} ${top + 3.5} Q ${width / 2} ${top + 5.5} ${from + wide - 0.6} ${top + 3.5}`}
        fill="none"
        stroke="var(--crust)"
        strokeWidth={1.1}
      />
    </g>
  );
}

function Rim({ width, top }: { width: number; top: number }) {
  return (
    <path
      d={`M ${-WALL - 1} ${top} H ${-WALL / 2 + 1} M ${width + WALL / 2 - 1} ${top} H ${width + WALL + 1}`}
      stroke="var(--glass-edge)"
      strokeWidth={2}
    />
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
  const high = state.highMm !== null && state.lineMm !== null ? insideMm(state.highMm, state.glass) : null;
  const { foot, rim } = widthsMm(state.glass);
  // How far the wall stands in from the widest place, at the rim and at the foot.
  const [inTop, inFoot] = [(width - rim) / 2, (width - foot) / 2];
  const lineIn = state.lineMm === null ? 0 : inFoot + (inTop - inFoot) * (state.lineMm / height);
  const [left, wide, tall] = [-WALL - 2, width + 2 * WALL + 4, bottom + WALL + 1];
  return (
    <svg
      viewBox={`${left} 0 ${wide} ${tall}`}
      width={wide * scale}
      height={tall * scale}
      aria-hidden="true"
      className={state.gone ? "opacity-60 grayscale" : ""}
    >
      <clipPath id={clip}>
        <path
          d={`M ${inTop} ${top} H ${width - inTop} L ${width - inFoot} ${bottom - 7} q 0 7 -7 7 H ${inFoot + 7} q -7 0 -7 -7 Z`}
        />
      </clipPath>
      <g clipPath={`url(#${CSS.escape(clip)})`}>
        <rect x={0} y={top} width={width} height={height} fill="var(--glass)" />
        {state.levelMm > 0 && <Mix state={state} width={width} bottom={bottom} />}
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
          x={Math.max(inTop, inFoot) + width * 0.09}
          y={top + 4}
          width={3}
          height={height * 0.8}
          rx={1.5}
          fill="var(--shine)"
        />
      </g>
      <path
        d={`M ${inTop - WALL / 2} ${top} L ${inFoot - WALL / 2} ${bottom - 7} q 0 ${7 + WALL / 2} ${7 + WALL / 2} ${7 + WALL / 2} H ${width - inFoot - 7} q ${7 + WALL / 2} 0 ${7 + WALL / 2} ${-7 - WALL / 2} L ${width - inTop + WALL / 2} ${top}`}
        fill="none"
        stroke="var(--glass-edge)"
        strokeWidth={WALL}
      />
      <g transform={`translate(${inTop} 0)`}>
        {lid ? <Cloth width={rim} top={top} /> : <Rim width={rim} top={top} />}
      </g>
      {line !== null && (
        <g>
          <rect
            x={lineIn - WALL}
            y={line - 3.2}
            width={12}
            height={6.4}
            fill="#fffcf5"
            stroke="#8b7a64"
            strokeWidth={0.5}
          />
          <line
            x1={lineIn - WALL}
            x2={lineIn + width * 0.55}
            y1={line}
            y2={line}
            stroke="#96461a"
            strokeWidth={1.5}
          />
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

/** The inside of the glass in the picture of `JarDrawing`, in px from its left, and its width. */
export function glassWidth(glass: Glass, scale: number): { readonly left: number; readonly width: number } {
  return { left: (WALL + 2) * scale, width: widthMm(glass) * scale };
}
