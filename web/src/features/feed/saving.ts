import { useState } from "react";
import type { FeedBody, FeedPlan, OpenJar, Problem, Sheet } from "../../api/types";
import { recordEntry, withdrawEntry } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { feedKey } from "../../lib/store";
import { useSay } from "../../ui/toast";
import { commonText, feedText } from "../../words";
import type { Fed } from "./Done";
import { type FeedDraft, feedOf } from "./draft";

export type Saving = {
  readonly problems: readonly Problem[];
  readonly busy: boolean;
  readonly save: (draft: FeedDraft, seenFeed?: string | null) => Promise<void>;
  /** Another device fed meanwhile. */
  readonly conflict: Problem | null;
};

/** Saves a new feed; what was known of the jar when the walk began goes with it. */
export function useSaving(
  opened: OpenJar,
  sheet: Sheet | null,
  clear: () => void,
  onFed: (fed: Fed) => void,
): Saving {
  const { jar, time_zone: zone, assessment } = opened;
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const say = useSay();
  const lastFeed = assessment.since_feed?.feed_id ?? null;
  // What this device knew when the form was opened, not what a later refresh has shown.
  const [seen] = useState(lastFeed);

  const save = async (draft: FeedDraft, seenFeed: string | null = seen) => {
    if (!sheet) return;
    setBusy(true);
    setProblems([]);
    const feed = feedOf(draft, sheet, nowMs(), zone);
    const label = feedText.ofIt(assessment.in_jar === null ? commonText.firstMix : commonText.feed, jar.name);
    const reopen = { path: `/jars/${jar.id}/feed`, draft: feedKey(jar.id), value: draft };
    const outcome = await recordEntry(jar.id, draft.id, seenFeed, feed, label, reopen);
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems);
      return;
    }
    clear();
    const waits = outcome.kind === "waiting";
    if (waits) say(commonText.keptOnThisDeviceIt);
    else
      say(feedText.savedMarkTheNewLine, {
        label: commonText.undo,
        run: () => void withdrawEntry(draft.id, feedText.undoingAFeedOf(jar.name)),
      });
    onFed({ jarId: jar.id, feed, sheet, waits });
  };
  const conflict = problems.find((problem) => problem.code === "fed_meanwhile") ?? null;
  return { problems, busy, save, conflict };
}

/** A feed of the log as it was corrected. */
export function correctedFeed(draft: FeedDraft, feed: FeedBody, zone: string): FeedBody {
  const tare = feed.tare_g ?? null;
  return { ...feedOf(draft, { plan: asPlan(feed), tare_g: tare }, nowMs(), zone), tare_g: tare };
}

/** What was written down, as the plan that a correction is held against. */
function asPlan(feed: FeedBody): FeedPlan {
  const flour = feed.flours.reduce((sum, part) => sum + part.g, 0);
  return {
    keep_g: feed.keep_g,
    flours: feed.flours,
    water_g: feed.water_g,
    juice_g: feed.juice_g,
    salt_g: feed.salt_g,
    total_g: feed.keep_g + flour + feed.water_g + feed.juice_g + feed.salt_g,
    ratio: "",
    fresh_hydration_percent: null,
    mix_ahead: [],
    hold_back_g: 0,
    measured: [],
  };
}
