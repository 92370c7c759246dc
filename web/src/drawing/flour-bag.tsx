/** A paper bag of flour, open at the top, as full as it is: lower where more of it is used. */
import { mixColour } from "./colours";

type Parts = {
  readonly flour: string;
  /** From 0 (empty) to 1; null where nobody weighed it. */
  readonly share: number | null;
};

const HEIGHT = 92;
const TOP = 16;

export function FlourBag({ flour, share }: Parts) {
  const deep = HEIGHT - TOP - 4;
  const at = HEIGHT - 2 - deep * Math.min(1, Math.max(0, share ?? 0));
  return (
    <svg viewBox="0 0 68 96" className="h-24 w-17 shrink-0" aria-hidden="true" focusable="false">
      <path d={`M8 ${TOP} L60 ${TOP} L63 ${HEIGHT} L5 ${HEIGHT} Z`} className="fill-card" />
      {share !== null && share > 0 && (
        <path
          d={`M${7 - (at - TOP) / 38} ${at} q14 -5 27 0 t27 0 L63 ${HEIGHT} L5 ${HEIGHT} Z`}
          fill={mixColour([{ flour, g: 1 }])}
        />
      )}
      <path
        d={`M8 ${TOP} l6.5 -7 l6.5 7 l6.5 -7 l6.5 7 l6.5 -7 l6.5 7 l6.5 -7 l6.5 7 L63 ${HEIGHT} L5 ${HEIGHT} Z`}
        className="fill-none stroke-ink"
        strokeWidth="1.6"
        strokeLinejoin="round"
        strokeDasharray={share === null ? "4 3" : undefined}
      />
    </svg>
  );
}
