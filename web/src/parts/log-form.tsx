/** How forms of the log end: when it was, the note, what was refused; and where an entry is corrected, the way out. */

import { Link } from "react-router";
import type { Problem } from "../api/types";
import type { When } from "../lib/when";
import { Button } from "../ui/button";
import { TextArea } from "../ui/field";
import { WhenField } from "../ui/when-field";
import { commonText, partsText, problemAt } from "../words";
import { NotSaved } from "./not-saved";

type Said = { readonly when: When; readonly note: string };

type Parts = {
  readonly zone: string;
  readonly draft: Said;
  readonly set: (part: Partial<Said>) => void;
  readonly problems: readonly Problem[];
  /** The fields of the form whose problems stand beside them. */
  readonly shown: readonly string[];
};

export function WhenAndNote({ zone, draft, set, problems, shown }: Parts) {
  return (
    <>
      <WhenField
        label={commonText.when}
        value={draft.when}
        onChange={(when) => set({ when })}
        zone={zone}
        error={problemAt(problems, "at")}
        lastNight
      />
      <TextArea
        label={commonText.note}
        value={draft.note}
        onChange={(event) => set({ note: event.target.value })}
        error={problemAt(problems, "note")}
      />
      <NotSaved problems={problems} shown={shown} />
    </>
  );
}

export function AmendEnd(parts: Parts & { readonly jarId: string; readonly busy: boolean }) {
  return <RecordEnd {...parts} yes={partsText.saveTheChange} />;
}

/** How a form ends that is written down. */
export function RecordEnd({
  jarId,
  busy,
  yes,
  ...parts
}: Parts & { readonly jarId: string; readonly busy: boolean; readonly yes: string }) {
  return (
    <>
      <WhenAndNote {...parts} />
      <SaveOrLeave jarId={jarId} busy={busy} yes={yes} />
    </>
  );
}

export function SaveOrLeave({
  jarId,
  busy,
  yes,
}: {
  readonly jarId: string;
  readonly busy: boolean;
  readonly yes: string;
}) {
  return (
    <div className="flex gap-3">
      <Button type="submit" look="act" disabled={busy} className="grow sm:grow-0 sm:px-10">
        {busy ? commonText.saving : yes}
      </Button>
      <Link to={`/jars/${jarId}`} className="flex min-h-11 items-center px-3 font-semibold text-crust">
        {commonText.leaveIt}
      </Link>
    </div>
  );
}
