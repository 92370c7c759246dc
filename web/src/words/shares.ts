/** Where flour went, in the shares that a baker tells apart. */
import type { FlourRow, Went } from "../api/types";

/** What a baker tells apart of where flour went, in the order in which it is drawn. */
export type FlourShare = "dough" | "passed_on" | "discard_jar" | "standing" | "thrown_out";

const SHARE_OF: Record<Went, FlourShare> = {
  dough: "dough",
  recipe: "dough",
  gift: "passed_on",
  spare: "passed_on",
  flakes: "passed_on",
  split: "passed_on",
  other_jar: "passed_on",
  discard_jar: "discard_jar",
  compost: "thrown_out",
  bin: "thrown_out",
  unsaid: "thrown_out",
  binned: "thrown_out",
};

/** Grams of flour by what became of it, those of which there are any. */
export function flourShares(row: FlourRow): { readonly share: FlourShare; readonly g: number }[] {
  const sums: Record<FlourShare, number> = {
    dough: 0,
    passed_on: 0,
    discard_jar: 0,
    standing: row.left_g ?? 0,
    thrown_out: 0,
  };
  for (const { went, flour_g } of row.went) sums[SHARE_OF[went]] += flour_g;
  return (Object.keys(sums) as FlourShare[]).flatMap((share) =>
    sums[share] >= 0.5 ? [{ share, g: sums[share] }] : [],
  );
}
