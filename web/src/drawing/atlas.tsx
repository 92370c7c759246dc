/** The atlas: larger drawings of what a jar can show, our own, one hand, told apart by shape and not by colour alone. */

import type { ReactNode } from "react";
import { drawingText } from "../words";

const MIX = "#cda97a";
const CRUMB = "#b58d5c";
const DARK = "#5b452c";
const PALE = "#fffaf0";
const INK = "#2a211a";

/** A round window onto the surface, seen from close above. */
function Lens({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <svg viewBox="0 0 120 120" role="img" aria-label={label} className="size-28">
      <defs>
        <clipPath id={`lens-${label.replaceAll(" ", "-")}`}>
          <circle cx="60" cy="60" r="54" />
        </clipPath>
      </defs>
      <g clipPath={`url(#lens-${label.replaceAll(" ", "-")})`}>
        <rect width="120" height="120" fill={MIX} />
        {children}
      </g>
      <circle cx="60" cy="60" r="55" fill="none" stroke="var(--edge)" strokeWidth="2.500" />
    </svg>
  );
}

function Hair({ x, y, r, turn }: { x: number; y: number; r: number; turn: number }) {
  const a = (turn * Math.PI) / 180;
  return (
    <path
      d={`M ${x + r * Math.cos(a)} ${y + r * Math.sin(a)} q ${4 * Math.cos(a + 0.5)} ${4 * Math.sin(a + 0.5)} ${10 * Math.cos(a)} ${10 * Math.sin(a)}`}
      stroke={INK}
      strokeWidth="1.2"
      fill="none"
    />
  );
}

function Tuft({ x, y, r }: { x: number; y: number; r: number }) {
  return (
    <g>
      <circle cx={x} cy={y} r={r} fill="#e9e6dc" stroke={INK} strokeWidth="1" />
      <circle cx={x} cy={y} r={r * 0.55} fill="#7f9378" />
      {Array.from({ length: 14 }, (_, index) => index * 25.7).map((turn) => (
        <Hair key={turn} x={x} y={y} r={r} turn={turn} />
      ))}
      {[-0.3, 0.1, 0.35].map((at) => (
        <circle key={at} cx={x + r * at} cy={y - r * at} r="1.4" fill={INK} />
      ))}
    </g>
  );
}

export const CLOSE_UPS: Record<"film" | "mould" | "streaks" | "skin", ReactNode> = {
  film: (
    <Lens label={drawingText.aThinFlatFilmIn}>
      <rect width="120" height="120" fill={PALE} opacity="0.55" />
      {[18, 34, 50, 66, 82, 98].map((y, row) => (
        <path
          key={y}
          d={`M -5 ${y} ${Array.from({ length: 7 }, (_, n) => `q ${5} ${(n + row) % 2 ? -7 : 7} 19 0`).join(" ")}`}
          fill="none"
          stroke={PALE}
          strokeWidth="3"
        />
      ))}
      {[18, 34, 50, 66, 82, 98].map((y, row) => (
        <path
          key={y}
          d={`M -5 ${y + 2.5} ${Array.from({ length: 7 }, (_, n) => `q ${5} ${(n + row) % 2 ? -7 : 7} 19 0`).join(" ")}`}
          fill="none"
          stroke={DARK}
          strokeWidth="0.8"
        />
      ))}
    </Lens>
  ),
  mould: (
    <Lens label={drawingText.raisedTuftsWithHairs}>
      <Tuft x={42} y={44} r={17} />
      <Tuft x={84} y={64} r={12} />
      <Tuft x={54} y={90} r={9} />
    </Lens>
  ),
  streaks: (
    <Lens label={drawingText.colouredStreaks}>
      {[
        ["M 10 40 q 25 -20 48 0 t 55 -6", "#b9415c"],
        ["M 8 70 q 28 18 52 2 t 55 6", "#d9722e"],
        ["M 30 98 q 20 -14 40 0", "#b9415c"],
      ].map(([d, colour]) => (
        <g key={d}>
          <path d={d} fill="none" stroke={INK} strokeWidth="9" />
          <path d={d} fill="none" stroke={colour} strokeWidth="7" />
          <path d={d} fill="none" stroke={PALE} strokeWidth="1" strokeDasharray="2 6" />
        </g>
      ))}
    </Lens>
  ),
  skin: (
    <Lens label={drawingText.aDrySkinWithCracks}>
      <rect width="120" height="120" fill={CRUMB} />
      <path
        d="M 8 50 L 40 58 L 54 42 L 86 50 L 116 38 M 40 58 L 46 90 L 30 118 M 86 50 L 92 82 L 118 96 M 46 90 L 92 82 M 54 42 L 50 6"
        fill="none"
        stroke={INK}
        strokeWidth="2"
      />
    </Lens>
  ),
};

/** A piece of the jar's wall, seen from the side. */
function Wall({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <svg viewBox="0 0 96 120" role="img" aria-label={label} className="h-28 w-[5.6rem]">
      <rect x="3" y="3" width="90" height="114" rx="8" fill="var(--glass)" />
      {children}
      <path
        d="M 3 0 V 109 q 0 8 8 8 H 85 q 8 0 8 -8 V 0"
        fill="none"
        stroke="var(--glass-edge)"
        strokeWidth="3"
      />
      <path d="M 3 76 H 30" stroke="#96461a" strokeWidth="2.500" />
    </svg>
  );
}

function body(level: number): ReactNode {
  return <path d={`M 4 ${level} H 92 V 108 q 0 8 -8 8 H 12 q -8 0 -8 -8 Z`} fill={MIX} />;
}

function holes(count: number, level: number, size: number): ReactNode {
  return Array.from({ length: count }, (_, n) => {
    const x = 12 + ((n * 0.754878) % 1) * 72;
    const y = level + 8 + ((n * 0.56984) % 1) * (104 - level);
    const r = size * (0.6 + ((n * 0.31) % 1) * 0.8);
    return <circle key={x} cx={x} cy={y} r={r} fill={PALE} stroke={DARK} strokeWidth="0.9" />;
  });
}

export const WALLS: Record<"still" | "few" | "through" | "streaks" | "layer" | "rim", ReactNode> = {
  still: <Wall label={drawingText.noBubbles}>{body(76)}</Wall>,
  few: (
    <Wall label={drawingText.aFewSmallBubbles}>
      {body(72)}
      {holes(6, 72, 2.2)}
    </Wall>
  ),
  through: (
    <Wall label={drawingText.bubblesAllThrough}>
      {body(34)}
      {holes(34, 34, 4)}
    </Wall>
  ),
  streaks: (
    <Wall label={drawingText.aSmearAboveTheLevel}>
      <path d="M 4 30 q 12 8 22 0 t 22 2 t 22 -3 t 22 2 V 66 H 4 Z" fill={MIX} opacity="0.35" />
      <path
        d="M 4 30 q 12 8 22 0 t 22 2 t 22 -3 t 22 2"
        fill="none"
        stroke={DARK}
        strokeWidth="1.4"
        strokeDasharray="2 4"
      />
      {body(66)}
      {holes(8, 66, 2.4)}
    </Wall>
  ),
  layer: (
    <Wall label={drawingText.liquidOnTopOfA}>
      {body(78)}
      <rect x="4" y="64" width="88" height="14" fill="#6b5b46" opacity="0.75" />
      <path d="M 4 64 H 92" stroke={INK} strokeWidth="1" />
    </Wall>
  ),
  rim: (
    <Wall label={drawingText.overTheRim}>
      {body(4)}
      {holes(44, 4, 4.4)}
      <path d="M 90 2 q 8 10 5 30" fill="none" stroke={MIX} strokeWidth="5" strokeLinecap="round" />
    </Wall>
  ),
};

/** How it leaves a spoon, from thin to thick. */
function Spoon({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <svg viewBox="0 0 96 96" role="img" aria-label={label} className="size-24">
      <path d="M 6 14 L 52 24" stroke="var(--edge)" strokeWidth="5" strokeLinecap="round" />
      <ellipse cx="64" cy="28" rx="20" ry="10" fill="var(--card)" stroke="var(--edge)" strokeWidth="2.500" />
      <ellipse cx="64" cy="26" rx="16" ry="7" fill={MIX} />
      <path d="M 34 90 H 94" stroke="var(--edge)" strokeWidth="2" />
      {children}
    </svg>
  );
}

export const SPOONS: Record<
  "runny" | "thin_batter" | "thick_batter" | "toothpaste" | "soft_dough" | "putty",
  ReactNode
> = {
  runny: (
    <Spoon label={drawingText.runsOffInDrops}>
      {[42, 54, 66, 78].map((y) => (
        <ellipse key={y} cx="70" cy={y} rx="1.8" ry="3.600" fill={MIX} stroke={DARK} strokeWidth="0.6" />
      ))}
      <path d="M 50 90 q 20 -5 40 0 Z" fill={MIX} stroke={DARK} strokeWidth="0.8" />
    </Spoon>
  ),
  thin_batter: (
    <Spoon label={drawingText.runsOffInAThread}>
      <path d="M 70 34 V 86" stroke={MIX} strokeWidth="3" />
      <path d="M 54 90 q 16 -8 32 0 Z" fill={MIX} stroke={DARK} strokeWidth="0.8" />
    </Spoon>
  ),
  thick_batter: (
    <Spoon label={drawingText.fallsInARibbonThat}>
      <path d="M 66 34 q 5 14 3 28 q -2 14 4 24" stroke={MIX} strokeWidth="8" fill="none" />
      <path d="M 54 90 q 6 -10 16 -8 t 18 8 Z" fill={MIX} stroke={DARK} strokeWidth="0.8" />
      <path d="M 58 86 q 12 -6 26 0" stroke={DARK} strokeWidth="0.8" fill="none" />
    </Spoon>
  ),
  toothpaste: (
    <Spoon label={drawingText.fallsInALumpThat}>
      <path d="M 52 32 q 10 18 14 20 q 8 -2 12 -20 Z" fill={MIX} stroke={DARK} strokeWidth="0.8" />
      <path d="M 56 90 q 2 -14 14 -22 q 6 12 16 22 Z" fill={MIX} stroke={DARK} strokeWidth="0.8" />
    </Spoon>
  ),
  soft_dough: (
    <Spoon label={drawingText.clingsAndHangs}>
      <path d="M 48 30 q 4 34 18 36 q 14 -4 14 -36 Z" fill={MIX} stroke={DARK} strokeWidth="0.8" />
      <path d="M 58 42 q 6 12 4 18 M 72 42 q -2 10 0 16" stroke={DARK} strokeWidth="0.8" fill="none" />
    </Spoon>
  ),
  putty: (
    <Spoon label={drawingText.aBallThatKeepsIts}>
      <circle cx="64" cy="18" r="15" fill={MIX} stroke={DARK} strokeWidth="0.9" />
      <path d="M 56 12 q 8 -6 16 2" stroke={DARK} strokeWidth="0.8" fill="none" />
    </Spoon>
  ),
};
