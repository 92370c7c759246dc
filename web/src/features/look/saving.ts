import { useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { api } from "../../api/client";
import type { LogEntry, OpenJar, Problem } from "../../api/types";
import { amendEntry, recordEntry, sendPhoto, withdrawEntry } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { typed } from "../../lib/numbers";
import { afterInRound, WHOLE_SHELF } from "../../lib/round";
import { draftKey as keptAs, writeStored } from "../../lib/store";
import { draftKeyOf } from "../../parts/amending";
import { useSay } from "../../ui/toast";
import { commonText, lookText } from "../../words";
import { byVolume, type LookDraft, lineOf, lookOf, toSeen } from "./draft";
import { useDrawn } from "./drawn";

export function draftKey(jarId: string, editing: LogEntry | null): string {
  return editing ? draftKeyOf(editing) : `look.${jarId}`;
}

/** Saves a look, its photo after it, and goes on: home, or in a round to the next jar. */
export function useSaving(
  opened: OpenJar,
  editing: LogEntry | null,
  clear: () => void,
  round: string | null,
  trial: string | null,
) {
  const { jar, time_zone: zone } = opened;
  const back = useLocation().state as { readonly problems?: readonly Problem[] } | null;
  const [problems, setProblems] = useState<readonly Problem[]>(back?.problems ?? []);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const drawn = useDrawn();
  const kitchen = api.useQuery("get", "/api/kitchen", {}, { enabled: round !== null });

  const save = async (draft: LookDraft) => {
    setBusy(true);
    setProblems([]);
    const look = lookOf(draft, nowMs(), zone);
    const label = commonText.lookAt(jar.name);
    const path = editing ? `/jars/${jar.id}/log/${editing.id}` : `/jars/${jar.id}/look`;
    const reopen = { path, draft: draftKey(jar.id, editing), value: draft };
    const sent = editing
      ? amendEntry(editing.id, editing.revision, look, label, reopen)
      : recordEntry(jar.id, draft.id, null, look, label, reopen);
    const goOn = async () => {
      if (!editing) {
        const line = lineOf(opened);
        const level = typed(draft.level);
        const isLevel = line && level !== null && !Number.isNaN(level);
        drawn.draw(jar.id, look, isLevel ? byVolume(toSeen(level, draft.unit, line), line) : null);
      }
      clear();
      if (round) writeStored(BEFORE_IN_ROUND, seenAt(jar.name, draft));
      await navigate(editing ? `/jars/${jar.id}` : (nextOf(round) ?? `/?jar=${jar.id}`));
    };
    // What the server takes its time over is drawn at once; what it then refuses comes back as it was typed.
    const quick = editing || !drawn.isShown(jar.id) ? await sent : await Promise.race([sent, slow()]);
    if (quick === null) await goOn();
    const outcome = quick ?? (await sent);
    setBusy(false);
    if (outcome.kind === "refused") {
      if (quick) setProblems(outcome.problems);
      else {
        writeStored(keptAs(draftKey(jar.id, editing)), draft);
        await navigate(path, { state: { problems: outcome.problems } });
      }
      return;
    }
    if (draft.photo) void sendPhoto(jar.id, photoOf(draft, draft.photo, look.at), lookText.photoOf(jar.name));
    if (outcome.kind === "waiting") say(commonText.keptOnThisDeviceIt);
    else if (editing) say(commonText.changedWhatItSaidBefore);
    else
      say(lookText.lookSaved, {
        label: commonText.undo,
        run: () => void withdrawEntry(draft.id, lookText.undoingALookAt(jar.name)),
      });
    if (quick) await goOn();
  };

  /** In a round, the jar on the shelf after this one; of jars side by side the next of them, and at last their page. */
  const nextOf = (going: string | null): string | null => {
    if (going === null) return null;
    if (going !== WHOLE_SHELF) return afterInRound("look", jar.id, going, trial);
    const shelf = (kitchen.data?.jars ?? []).filter((one) => one.in_jar && !one.binned_at);
    const next = shelf[shelf.findIndex((one) => one.jar.id === jar.id) + 1];
    return next ? `/jars/${next.jar.id}/look?round=${going}` : "/";
  };
  return { problems, busy, save };
}

/** A press is answered within a tenth of a second: so long the server's own word is waited for. */
const ANSWERED_WITHIN_MS = 60;

function slow(): Promise<null> {
  return new Promise((resolve) => setTimeout(() => resolve(null), ANSWERED_WITHIN_MS));
}

/** What was seen of the jar before in a round, but for its level: jars side by side are often alike. */
export type SeenBefore = Pick<LookDraft, "bubbles" | "top" | "smell" | "thickness"> & {
  readonly name: string;
  readonly atMs: number;
};
export const BEFORE_IN_ROUND = "round.before";

function seenAt(name: string, { bubbles, top, smell, thickness }: LookDraft): SeenBefore {
  return { name, atMs: nowMs(), bubbles, top, smell, thickness };
}

function photoOf(draft: LookDraft, { id, points }: NonNullable<LookDraft["photo"]>, at: string) {
  return { id, at, look: draft.id, points };
}
