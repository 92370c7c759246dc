/** From what the server says of a jar to what is drawn of it. */
import { convert, type Mark } from "../lib/marks";
import { mixColour } from "./colours";
import type { JarState } from "./jar";

type Known = {
  readonly jar: { readonly volume_ml: number; readonly height_mm: number; readonly flare: number };
  readonly in_jar: {
    readonly flours: readonly { readonly flour: string; readonly g: number }[];
    readonly line_mm: number;
    readonly marks: readonly Mark[];
  } | null;
  readonly since_feed: {
    readonly last: { readonly times: number } | null;
    readonly highest: { readonly times: number } | null;
    readonly bubbles: string | null;
    readonly top: readonly string[];
    readonly has_sunk: boolean;
  } | null;
  readonly binned_at: string | null;
};

export function jarState({ jar, in_jar: held, since_feed: since, binned_at: binned }: Known): JarState {
  const mm = (times: number | undefined) =>
    held && times !== undefined ? convert(held.marks, times, "times", "mm") : null;
  return {
    glass: { volumeMl: jar.volume_ml, heightMm: jar.height_mm, flare: jar.flare },
    lineMm: held?.line_mm ?? null,
    levelMm: mm(since?.last?.times) ?? held?.line_mm ?? 0,
    highMm: since?.has_sunk ? mm(since.highest?.times) : null,
    colour: mixColour(held?.flours ?? []),
    bubbles: since?.bubbles ?? null,
    top: since?.top ?? [],
    gone: binned !== null,
  };
}
