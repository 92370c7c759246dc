/** Small acts noted with one press: it is said what was noted, and one more press takes it back. */

import type { Outcome } from "../api/outbox";
import type { DeedKind } from "../api/types";
import { recordDeed, withdrawEntry } from "../api/writes";
import { newId } from "../lib/ids";
import { Button } from "../ui/button";
import { useSay } from "../ui/toast";
import { commonText, DEED_WORDS, partsText, problemWords } from "../words";

export function useNoting(): (noted: string, write: (id: string) => Promise<Outcome>) => void {
  const say = useSay();
  const note = async (noted: string, write: (id: string) => Promise<Outcome>) => {
    const id = newId();
    const outcome = await write(id);
    if (outcome.kind === "refused") say(outcome.problems.map(problemWords).join(" "));
    else if (outcome.kind === "waiting") say(commonText.keptOnThisDeviceIt);
    else
      say(`${noted}.`, {
        label: commonText.undo,
        run: () => void withdrawEntry(id, partsText.undoing(noted)),
      });
  };
  return (noted, write) => void note(noted, write);
}

type Jar = { readonly id: string; readonly name: string };

/** Notes a deed on a jar as done now. */
export function useDeed({ id, name }: Jar): (did: DeedKind) => void {
  const note = useNoting();
  const said = (did: DeedKind) => `${DEED_WORDS[did]}: ${name}`;
  return (did) => note(said(did), (entry) => recordDeed(id, entry, did, said(did)));
}

/** The next move where it is a deed, noted as done. */
export function DeedButton({
  jar,
  did,
  label,
  look = "act",
}: {
  readonly jar: Jar;
  readonly did: DeedKind;
  readonly label: string;
  readonly look?: "act" | "quiet";
}) {
  const note = useDeed(jar);
  return (
    <Button look={look} onClick={() => note(did)}>
      {label}
    </Button>
  );
}
