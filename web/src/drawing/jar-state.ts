/** From what the server says of a jar to what is drawn of it. */
import { mixColour } from "./colours";
import type { JarState } from "./jar";

type Known = {
  readonly jar: { readonly volume_ml: number; readonly height_mm: number };
  readonly in_jar: {
    readonly flours: readonly { readonly flour: string; readonly g: number }[];
    readonly line_mm: number;
  } | null;
  readonly since_feed: {
    readonly last: { readonly times: number } | null;
    readonly highest: { readonly times: number } | null;
    readonly bubbles: string | null;
    readonly top: readonly string[];
  } | null;
  readonly binned_at: string | null;
};

/** A level this much under the highest leaves a mark on the glass worth drawing. */
const SUNK = 0.04;

export function jarState({ jar, in_jar: held, since_feed: since, binned_at: binned }: Known): JarState {
  const times = since?.last?.times ?? 1;
  const highest = since?.highest?.times ?? times;
  return {
    glass: { volumeMl: jar.volume_ml, heightMm: jar.height_mm },
    lineMm: held?.line_mm ?? null,
    times,
    highest: highest > times + SUNK ? highest : null,
    colour: mixColour(held?.flours ?? []),
    bubbles: since?.bubbles ?? null,
    top: since?.top ?? [],
    gone: binned !== null,
  };
}
