import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { FeedBody, FeedPlan, LogEntry, OpenJar, Sheet } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { type FeedDraft, wentIn } from "./draft";

/** The feed sheet for what has gone in so far, worked out by the server while the baker types. */
export function useSheet(opened: OpenJar, editing: LogEntry | null, draft: FeedDraft): Sheet | "away" | null {
  const planned = opened.assessment.next_move.plan;
  const body = wentIn(draft, planned?.keep_g === 0);
  const rested = useRested(JSON.stringify(body), 200);
  const sheet = api.useQuery(
    "post",
    "/api/jars/{jar_id}/weigh",
    { params: { path: { jar_id: opened.jar.id } }, body: JSON.parse(rested) as typeof body },
    { enabled: !editing, placeholderData: keepPreviousData, retry: false },
  );
  if (editing?.entry.kind === "feed") return asItWas(editing.entry);
  if (sheet.data) return sheet.data;
  if (!planned) return sheet.isError ? "away" : null;
  // Before the first answer, and without a connection: the plan that came with the jar.
  const { next_move: move, in_jar: held } = opened.assessment;
  return {
    plan: planned,
    scale_walk: move.scale_walk,
    mend: null,
    line_mm: held?.line_mm ?? 0,
    room_times: held?.room_times ?? 3,
    room_is_tight: opened.assessment.room_is_tight,
  };
}

/** A feed of the log as a sheet to correct: there is no scale to read any more. */
function asItWas(feed: FeedBody): Sheet {
  const flour = feed.flours.reduce((sum, part) => sum + part.g, 0);
  const plan: FeedPlan = {
    keep_g: feed.keep_g,
    flours: feed.flours,
    water_g: feed.water_g,
    juice_g: feed.juice_g,
    salt_g: feed.salt_g,
    total_g: feed.keep_g + flour + feed.water_g + feed.juice_g + feed.salt_g,
    ratio: "",
    fresh_hydration_percent: flour ? (100 * (feed.water_g + feed.juice_g)) / flour : null,
    hold_back_g: 0,
    measured: [],
  };
  return { plan, scale_walk: [], mend: null, line_mm: 0, room_times: 3, room_is_tight: false };
}
