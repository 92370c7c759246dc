import type { PhotoProposal } from "../../api/types";
import { times } from "../../lib/numbers";
import type { Points } from "../../lib/photo";
import { Button } from "../../ui/button";
import { lookText } from "../../words";
import { fromSeen, type Line, type LookDraft } from "./draft";

type Beside = PhotoProposal["beside"];

/** What else a photo may show: suggestions, of which the baker notes what is so. */
export function MayShow({
  beside,
  points,
  line,
  draft,
  set,
}: {
  readonly beside: Beside;
  readonly points: Points;
  readonly line: Line | null;
  readonly draft: LookDraft;
  readonly set: (part: Partial<LookDraft>) => void;
}) {
  const top = (one: "domed" | "liquid") =>
    draft.top.includes(one)
      ? null
      : () => set({ top: [...draft.top.filter((other) => other !== "flat"), one] });
  const { bubbles } = beside;
  const tall = points.bottom.y - points.mark.y;
  const high = beside.high !== null && tall > 0 ? (points.bottom.y - beside.high) / tall : null;
  const level = (points.bottom.y - points.level.y) / tall;
  const all: readonly (readonly [said: string, note: (() => void) | null])[] = [
    ...(bubbles
      ? [[lookText.mayBubbles[bubbles], draft.bubbles === bubbles ? null : () => set({ bubbles })] as const]
      : []),
    ...(beside.domed ? [[lookText.mayDomed, top("domed")] as const] : []),
    ...(beside.liquid ? [[lookText.mayLiquid, top("liquid")] as const] : []),
    ...(high !== null && high > level && line && !draft.smear
      ? [
          [
            lookText.maySmear(times(high)),
            () => set({ smear: true, high: String(fromSeen(high, draft.unit, line)) }),
          ] as const,
        ]
      : []),
  ];
  const open = all.filter(([, note]) => note !== null);
  return (
    <>
      {open.length > 0 && (
        <fieldset aria-label={lookText.mayShow} className="flex max-w-full flex-wrap items-center gap-2">
          <span className="text-soft">{lookText.mayShow}</span>
          {open.map(([said, note]) => (
            <Button key={said} onClick={() => note?.()}>
              {said}
            </Button>
          ))}
        </fieldset>
      )}
      {beside.spots && (
        <p role="note" className="max-w-prose border-s-4 border-alarm ps-3 font-semibold">
          {lookText.maySpots}
        </p>
      )}
    </>
  );
}
