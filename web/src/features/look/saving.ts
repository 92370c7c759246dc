import { useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { LogEntry, OpenJar, Problem } from "../../api/types";
import { amendEntry, recordEntry, sendPhoto, withdrawEntry } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { typed } from "../../lib/numbers";
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
) {
  const { jar, time_zone: zone } = opened;
  const [problems, setProblems] = useState<readonly Problem[]>([]);
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
    const outcome = editing
      ? await amendEntry(editing.id, editing.revision, look, label, reopen)
      : await recordEntry(jar.id, draft.id, null, look, label, reopen);
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems);
      return;
    }
    if (!editing) {
      const line = lineOf(opened);
      const level = typed(draft.level);
      const isLevel = line && level !== null && !Number.isNaN(level);
      drawn(jar.id, look, isLevel ? byVolume(toSeen(level, draft.unit, line), line) : null);
    }
    if (draft.photo) void sendPhoto(jar.id, photoOf(draft, draft.photo, look.at), lookText.photoOf(jar.name));
    clear();
    if (outcome.kind === "waiting") say(commonText.keptOnThisDeviceIt);
    else if (editing) say(commonText.changedWhatItSaidBefore);
    else
      say(lookText.lookSaved, {
        label: commonText.undo,
        run: () => void withdrawEntry(draft.id, lookText.undoingALookAt(jar.name)),
      });
    await navigate(editing ? `/jars/${jar.id}` : (nextOf(round) ?? `/?jar=${jar.id}`));
  };

  /** In a round, the jar on the shelf after this one. */
  const nextOf = (going: string | null): string | null => {
    if (going === null) return null;
    const shelf = (kitchen.data?.jars ?? []).filter((one) => one.in_jar && !one.binned_at);
    const next = shelf[shelf.findIndex((one) => one.jar.id === jar.id) + 1];
    return next ? `/jars/${next.jar.id}/look?round=${going}` : "/";
  };
  return { problems, busy, save };
}

function photoOf(draft: LookDraft, { id, points }: NonNullable<LookDraft["photo"]>, at: string) {
  return { id, at, look: draft.id, points };
}
