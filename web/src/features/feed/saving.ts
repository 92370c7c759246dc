import { useState } from "react";
import { useNavigate } from "react-router";
import type { FeedPlan, LogEntry, OpenJar, Problem } from "../../api/types";
import { amendEntry, recordEntry, withdrawEntry } from "../../api/writes";
import { useSay } from "../../ui/toast";
import { type FeedDraft, feedOf } from "./draft";

export function draftKey(jarId: string, editing: LogEntry | null): string {
  return editing ? `amend.${editing.id}` : `feed.${jarId}`;
}

/** Saves a feed. `conflict` is another device's feed that this one did not know of. */
export function useSaving(
  opened: OpenJar,
  editing: LogEntry | null,
  draft: FeedDraft,
  plan: FeedPlan | null,
  clear: () => void,
) {
  const { jar, time_zone: zone, assessment } = opened;
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const lastFeed = assessment.since_feed?.feed_id ?? null;
  // What this device knew when the form was opened, not what a later refresh has shown.
  const [seen] = useState(lastFeed);

  const save = async (seenFeed: string | null = seen) => {
    if (!plan) return;
    setBusy(true);
    setProblems([]);
    const feed = feedOf(draft, plan, Date.now(), zone);
    const label = `${assessment.in_jar === null ? "First mix" : "Feed"} of ${jar.name}`;
    const path = editing ? `/jars/${jar.id}/log/${editing.id}` : `/jars/${jar.id}/feed`;
    const reopen = { path, draft: draftKey(jar.id, editing), value: draft };
    const outcome = editing
      ? await amendEntry(editing.id, editing.revision, feed, label, reopen)
      : await recordEntry(jar.id, draft.id, seenFeed, feed, label, reopen);
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems);
      return;
    }
    clear();
    if (outcome.kind === "waiting") say("Kept on this device. It is sent when the connection is back.");
    else if (editing) say("Changed. What it said before is kept.");
    else {
      const undo = {
        label: "Undo",
        run: () => void withdrawEntry(draft.id, `Undoing a feed of ${jar.name}`),
      };
      say("Saved. Mark the new line, lid on loosely.", undo);
    }
    await navigate(editing ? `/jars/${jar.id}` : `/?jar=${jar.id}`);
  };
  const conflict = problems.find((problem) => problem.code === "fed_meanwhile") ?? null;
  return { problems, busy, save, conflict };
}
