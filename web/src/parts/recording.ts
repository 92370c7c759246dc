/** Writes a form of the log down: what was refused stays beside its fields, and what was typed stays typed. */

import { useState } from "react";
import { useNavigate } from "react-router";
import type { EntryBody, OpenJar, Problem } from "../api/types";
import { recordEntry } from "../api/writes";
import { newId } from "../lib/ids";
import { useSay } from "../ui/toast";
import { commonText } from "../words";

type Kept<D> = { readonly path: string; readonly key: string; readonly clear: () => void; readonly draft: D };

export function useRecording<D>({ jar }: OpenJar, title: string, kept: Kept<D>) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  /** Answers whether it was taken or waits; `then` may go on elsewhere than to the jar. */
  const record = async (body: EntryBody, said: string, then?: () => Promise<string | null>) => {
    setBusy(true);
    const reopen = { path: kept.path, draft: kept.key, value: kept.draft };
    const outcome = await recordEntry(jar.id, newId(), null, body, title, reopen);
    setProblems(outcome.kind === "refused" ? outcome.problems : []);
    const page = outcome.kind === "refused" || !then ? null : await then();
    setBusy(false);
    if (outcome.kind === "refused") return;
    kept.clear();
    say(outcome.kind === "waiting" ? commonText.keptOnThisDeviceIt : said);
    await navigate(page ?? `/jars/${jar.id}`);
  };
  return { problems, busy, record };
}
