/** Small drawn examples for the choices of a look: a cut through the top of the jar, our own marks, told apart by shape. */
import type { ReactNode } from "react";

function Cut({ children }: { readonly children: ReactNode }) {
  return (
    <svg width="52" height="36" viewBox="0 0 52 36" aria-hidden="true">
      <rect
        x="1.5"
        y="-6"
        width="49"
        height="40.5"
        rx="6"
        fill="var(--card)"
        stroke="var(--edge)"
        strokeWidth="1.5"
      />
      {children}
    </svg>
  );
}

const MIX = "#cda97a";
const DARK = "#5b452c";

function mix(top: string): ReactNode {
  return <path d={`${top} V 28 q 0 5 -5 5 H 8 q -5 0 -5 -5 Z`} fill={MIX} />;
}

/** The jar tipped: how far the mix follows. `runs` is 1 where it lies level at once, 0 where it does not move. */
function tipped(runs: number): ReactNode {
  const TIP = 32;
  const slope = 14 * Math.tan((TIP * runs * Math.PI) / 180);
  return (
    <svg width="52" height="40" viewBox="0 0 52 40" aria-hidden="true">
      <g transform={`rotate(-${TIP} 26 20)`} strokeWidth="1.5">
        <path d={`M 13 ${20 - slope} L 39 ${20 + slope} V 29 q 0 3 -3 3 H 16 q -3 0 -3 -3 Z`} fill={MIX} />
        <path d="M 12 5 V 29 q 0 4 4 4 H 36 q 4 0 4 -4 V 5" fill="none" stroke="var(--edge)" />
      </g>
    </svg>
  );
}

export const THICKNESS_PICTURES: Record<string, ReactNode> = {
  runny: tipped(1),
  thin_batter: tipped(0.82),
  thick_batter: tipped(0.6),
  toothpaste: tipped(0.38),
  soft_dough: tipped(0.18),
  putty: tipped(0),
};

const FLAT = "M 3 16 H 49";

function dots(places: readonly (readonly [number, number, number])[]): ReactNode {
  return places.map(([x, y, r]) => (
    <circle key={`${x}-${y}`} cx={x} cy={y} r={r} fill="#fff" stroke={DARK} strokeWidth="0.8" />
  ));
}

export const BUBBLE_PICTURES: Record<string, ReactNode> = {
  none: <Cut>{mix(FLAT)}</Cut>,
  few: (
    <Cut>
      {mix(FLAT)}
      {dots([
        [14, 25, 1.6],
        [33, 21, 2],
        [41, 28, 1.4],
      ])}
    </Cut>
  ),
  throughout: (
    <Cut>
      {mix("M 3 11 H 49")}
      {dots([
        [9, 17, 2],
        [16, 25, 2.6],
        [22, 16, 1.8],
        [27, 28, 2],
        [31, 20, 2.8],
        [38, 27, 1.8],
        [42, 16, 2.2],
        [10, 28, 1.5],
      ])}
    </Cut>
  ),
  froth: (
    <Cut>
      {mix(FLAT)}
      {dots([
        [6, 14, 2.6],
        [12, 12, 3.2],
        [19, 14, 2.6],
        [25, 11, 3.4],
        [32, 14, 2.8],
        [39, 12, 3.2],
        [46, 14, 2.4],
      ])}
    </Cut>
  ),
};

export const TOP_PICTURES: Record<string, ReactNode> = {
  flat: <Cut>{mix(FLAT)}</Cut>,
  domed: <Cut>{mix("M 3 18 Q 26 2 49 18")}</Cut>,
  sunken: <Cut>{mix("M 3 12 Q 26 25 49 12")}</Cut>,
  liquid: (
    <Cut>
      {mix("M 3 20 H 49")}
      <rect x="3" y="13" width="46" height="7" fill="#6b5b46" opacity="0.7" />
    </Cut>
  ),
  skin: (
    <Cut>
      {mix(FLAT)}
      <path
        d="M 3 16 H 15 l 3 2 l 3 -2 H 33 l 3 2 l 3 -2 H 49"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3.4"
      />
    </Cut>
  ),
  white_film: (
    <Cut>
      {mix(FLAT)}
      <path d="M 3 15 q 4 -4 8 0 t 8 0 t 8 0 t 8 0 t 8 0 t 6 0" fill="none" stroke={DARK} strokeWidth="4" />
      <path d="M 3 15 q 4 -4 8 0 t 8 0 t 8 0 t 8 0 t 8 0 t 6 0" fill="none" stroke="#fff" strokeWidth="2.6" />
    </Cut>
  ),
  fuzzy_spots: (
    <Cut>
      {mix(FLAT)}
      {[13, 29, 41].map((x) => (
        <g key={x} stroke="var(--ink)" strokeWidth="1.1">
          <circle cx={x} cy="14" r="3.4" fill="#6d8567" />
          {[-60, -30, 0, 30, 60].map((turn) => (
            <line key={turn} x1={x} y1="11" x2={x} y2="6.5" transform={`rotate(${turn} ${x} 14)`} />
          ))}
        </g>
      ))}
    </Cut>
  ),
  coloured_streaks: (
    <Cut>
      {mix(FLAT)}
      <path d="M 6 17 q 6 4 12 1 t 13 2" fill="none" stroke="#b9415c" strokeWidth="3" />
      <path d="M 24 26 q 7 -4 12 0 t 9 -2" fill="none" stroke="#d9722e" strokeWidth="3" />
    </Cut>
  ),
};
