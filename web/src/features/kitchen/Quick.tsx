import { type FormEvent, useState } from "react";
import type { Glance, Problem } from "../../api/types";
import { recordEntry, withdrawEntry } from "../../api/writes";
import { nowIso } from "../../lib/clock";
import { newId } from "../../lib/ids";
import { Button } from "../../ui/button";
import { TextField } from "../../ui/field";
import { useSay } from "../../ui/toast";
import { commonText, fedLine, lookLine, problemWords, quickText } from "../../words";
import { understood } from "./quick";

/** A look or a feed typed in one line; what was understood stands there before it is kept. */
export function QuickLine({ one }: { readonly one: Glance }) {
  const { id, name } = one.jar;
  const say = useSay();
  const [line, setLine] = useState("");
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const flours = one.next_move.plan?.flours ?? one.in_jar?.flours ?? [];
  const found = understood(line, nowIso(), [...flours]);
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    if (!found) return;
    const entryId = newId();
    const { kind } = found.entry;
    const label = kind === "feed" ? commonText.feedOf(name) : commonText.lookAt(name);
    const seen = kind === "feed" ? (one.since_feed?.feed_id ?? null) : null;
    const outcome = await recordEntry(id, entryId, seen, found.entry, label, null);
    setProblems(outcome.kind === "refused" ? outcome.problems : []);
    if (outcome.kind === "refused") return;
    setLine("");
    if (outcome.kind === "waiting") say(commonText.keptOnThisDeviceIt);
    else say(label, { label: commonText.undo, run: () => void withdrawEntry(entryId, label) });
  };
  return (
    <form noValidate onSubmit={(event) => void keep(event)} className="flex max-w-prose flex-col gap-2">
      <div className="flex items-end gap-3">
        <div className="grow">
          <TextField
            label={quickText.inALine}
            data-quick
            placeholder={quickText.example}
            autoComplete="off"
            autoCapitalize="none"
            value={line}
            onChange={(event) => setLine(event.target.value)}
          />
        </div>
        <Button type="submit" disabled={!found}>
          {quickText.keepIt}
        </Button>
      </div>
      <p aria-live="polite" className="text-soft empty:hidden">
        {found && (
          <>
            <span className="font-semibold text-ink">
              {found.entry.kind === "feed"
                ? `${commonText.feed}: ${fedLine(found.entry)}`
                : `${commonText.look}: ${lookLine({ ...found.entry, note: "" }, null)}`}
            </span>
            {found.rest.length > 0 && ` ${quickText.notUnderstood(found.rest.join(" "))}`}
          </>
        )}
        {!found && line.trim() !== "" && quickText.writeSuchAs}
      </p>
      {problems.length > 0 && (
        <p role="alert" className="font-semibold text-alarm">
          {problems.map(problemWords).join(" ")}
        </p>
      )}
    </form>
  );
}
