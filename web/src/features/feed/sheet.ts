import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { OpenJar, Sheet } from "../../api/types";
import { useRested } from "../../lib/hooks";
import { type FeedDraft, wentIn } from "./draft";

/** The feed sheet for what has gone in so far, worked out by the server while the baker weighs. */
export function useSheet(opened: OpenJar, draft: FeedDraft): Sheet | "away" | null {
  const plan = opened.sheet?.plan ?? null;
  const body = wentIn(draft, opened.assessment.in_jar === null && plan?.keep_g === 0, plan);
  const rested = useRested(JSON.stringify(body), 200);
  const sheet = api.useQuery(
    "post",
    "/api/jars/{jar_id}/weigh",
    { params: { path: { jar_id: opened.jar.id } }, body: JSON.parse(rested) as typeof body },
    { placeholderData: keepPreviousData, retry: false },
  );
  // Before the first answer, and without a connection: the sheet that came with the jar.
  return sheet.data ?? opened.sheet ?? (sheet.isError ? "away" : null);
}
