/** When a jar stood in the fridge, by the log's deeds. */
import type { DeedBody, OpenJar } from "../../api/types";
import type { Stretch } from "../../drawing/rise-geometry";

/** In, and out again or still there. */
export function stretchesInFridge({ log, now }: Pick<OpenJar, "log" | "now">): Stretch[] {
  const deeds = log.flatMap(({ entry, withdrawn }) => (entry.kind === "deed" && !withdrawn ? [entry] : []));
  const moves = deeds
    .filter(({ did }) => did === "to_fridge" || did === "to_counter")
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const isIn = (move: DeedBody | undefined) => move?.did === "to_fridge";
  return moves.flatMap((move, index) => {
    // Put in twice without coming out is still the one stretch.
    if (!isIn(move) || isIn(moves[index - 1])) return [];
    const out = moves.slice(index + 1).find((later) => !isIn(later));
    return [{ from: Date.parse(move.at), until: Date.parse(out?.at ?? now) }];
  });
}
