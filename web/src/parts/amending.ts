/** Corrects an entry of the log: what it said before is kept, and a form that was refused keeps what was typed. */

import { useState } from "react";
import { useNavigate } from "react-router";
import type { EntryBody, LogEntry, OpenJar, Problem } from "../api/types";
import { amendEntry } from "../api/writes";
import { useSay } from "../ui/toast";
import { commonText } from "../words";

export function draftKeyOf(editing: LogEntry): string {
  return `amend.${editing.id}`;
}

export function useAmending<D>({ jar }: OpenJar, editing: LogEntry, label: string, clear: () => void) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const amend = async (corrected: EntryBody, draft: D) => {
    setBusy(true);
    setProblems([]);
    const path = `/jars/${jar.id}/log/${editing.id}`;
    const reopen = { path, draft: draftKeyOf(editing), value: draft };
    const outcome = await amendEntry(editing.id, editing.revision, corrected, label, reopen);
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems);
      return;
    }
    clear();
    say(outcome.kind === "waiting" ? commonText.keptOnThisDeviceIt : commonText.changedWhatItSaidBefore);
    await navigate(`/jars/${jar.id}`);
  };
  return { problems, busy, amend };
}
