import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { OpenJar, Sheet } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { type FeedDraft, wentIn } from "./draft";

/** The feed sheet for what has gone in so far, worked out by the server while the baker weighs. */
export function useSheet(opened: OpenJar, draft: FeedDraft): Sheet | "away" | null {
  const { next_move: move, in_jar: held, discard_is_food } = opened.assessment;
  const planned = move.plan;
  const body = wentIn(draft, planned?.keep_g === 0);
  const rested = useRested(JSON.stringify(body), 200);
  const sheet = api.useQuery(
    "post",
    "/api/jars/{jar_id}/weigh",
    { params: { path: { jar_id: opened.jar.id } }, body: JSON.parse(rested) as typeof body },
    { placeholderData: keepPreviousData, retry: false },
  );
  if (sheet.data) return sheet.data;
  if (!planned) return sheet.isError ? "away" : null;
  // Before the first answer, and without a connection: the plan that came with the jar.
  return {
    plan: planned,
    scale_walk: move.scale_walk,
    mend: null,
    line_mm: held?.line_mm ?? 0,
    room_times: held?.room_times ?? 3,
    room_is_tight: opened.assessment.room_is_tight,
    style: move.scale_walk[0]?.do === "empty_jar" ? "clean_jar" : "in_the_jar",
    discard_g: Math.max(0, (held?.total_g ?? 0) - planned.keep_g),
    discard_is_food,
    then_due: null,
  };
}
