import { useEffect } from "react";
import type { Mend, Sheet } from "../../api/types";
import { typed } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { feedText, mendWords } from "../../words";
import type { FeedDraft } from "./draft";

/** What a slip asks for, said where it is seen, and a press that notes it as done. */
export function Mending({
  mend,
  sheet,
  draft,
  set,
  backTo = null,
}: {
  readonly mend: Mend;
  readonly sheet: Sheet;
  readonly draft: FeedDraft;
  readonly set: (part: Partial<FeedDraft>) => void;
  /** What the scale would show had this step gone as planned. */
  readonly backTo?: number | null;
}) {
  useEffect(() => {
    // What is being typed stays in sight when this comes up over it.
    document.activeElement?.scrollIntoView({ block: "nearest" });
  }, []);
  const flourIsIn = Object.values(draft.flours).some((text) => text !== "");
  const water = (typed(draft.water) ?? sheet.plan.water_g) + mend.add_water_g;
  return (
    <div
      className={`flex flex-wrap items-center justify-between gap-3 rounded-lg border-s-4 bg-card px-4 py-2 ${mend.worth_it ? "border-crust" : "border-leaf"}`}
    >
      <p className="text-lg">{mendWords(mend, flourIsIn, sheet.mend_fits ? null : { backTo })}</p>
      {mend.worth_it && sheet.mend_fits && flourIsIn && mend.add_water_g > 0 && (
        <Button onClick={() => set({ water: String(water) })}>{feedText.added}</Button>
      )}
    </div>
  );
}
