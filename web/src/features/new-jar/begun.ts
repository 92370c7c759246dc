/** A jar that was begun before it was planned here: what was done since is written down for the baker. */

import { http } from "../../api/client";
import type { FeedPlan } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { newId } from "../../lib/ids";
import { commonText, newJarText } from "../../words";

export type Begun = "mixed" | "fed";

const MOST_FEEDS = 40;

/** The first mix, and where it was fed since by the plan every feed of it, each at its planned time. */
export async function writeDown(jarId: string, name: string, startedAt: string, begun: Begun): Promise<void> {
  let seen: string | null = null;
  let at = startedAt;
  for (let count = 0; count < MOST_FEEDS; count += 1) {
    const { data } = await http.GET("/api/jars/{jar_id}/plan", { params: { path: { jar_id: jarId } } });
    const next = data?.plan.steps.find(({ state }) => state !== "done" && state !== "skipped");
    if (!data || !next?.plan) return;
    if (count > 0) at = next.due;
    if (Date.parse(at) > Date.parse(data.now) || (count > 0 && begun === "mixed")) return;
    const id = newId();
    const label = count === 0 ? newJarText.firstMixOf(name) : commonText.feedOf(name);
    const outcome = await recordEntry(jarId, id, seen, asFeed(next.plan, at, count === 0), label, null);
    if (outcome.kind !== "saved") return;
    seen = id;
  }
}

function asFeed(plan: FeedPlan, at: string, first: boolean) {
  return {
    kind: "feed",
    at,
    keep_g: first ? 0 : plan.keep_g,
    flours: plan.flours,
    water_g: plan.water_g,
    juice_g: plan.juice_g,
    salt_g: plan.salt_g,
    line_mm: null,
    discard_to: null,
    note: "",
  } as const;
}
