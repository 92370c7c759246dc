import { type FormEvent, useEffect, useRef, useState } from "react";
import type { DiscardTo } from "../../api/types";
import { grams } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { Confirm } from "../../ui/confirm";
import { NumberField, TextArea } from "../../ui/field";
import { Trouble } from "../../ui/states";
import { WhenField } from "../../ui/when-field";
import {
  commonText,
  DISCARD_CHOICES,
  farOffWords,
  feedText,
  fieldWords,
  problemAt,
  problemWords,
} from "../../words";
import { farOff, fieldOf } from "./draft";
import { Filling } from "./Filling";
import { Meanwhile } from "./Meanwhile";
import { Mending } from "./Mending";
import type { Parts } from "./Step";
import type { Saving } from "./saving";

const SHOWN = ["at", "line_mm", "note", "discard_to"];

/** The last step: the line marked, the discard seen to, and the feed saved. */
export function Finish({
  opened,
  sheet,
  draft,
  set,
  shows,
  saving,
  clear,
}: Parts & { readonly saving: Saving; readonly clear: () => void }) {
  const { jar, time_zone: zone, assessment } = opened;
  const { problems, busy, save, conflict } = saving;
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const [asking, setAsking] = useState<readonly string[]>([]);
  const walk = sheet.scale_walk;
  const first = assessment.in_jar === null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const off = farOff(draft, sheet);
    if (off.length > 0) setAsking(off);
    else void save(draft);
  };
  // Grams that the server would not take belong to a step before this one.
  const elsewhere = problems.filter((one) => !SHOWN.includes(one.field) && one !== conflict);
  const stepOf = (name: string) =>
    walk.findIndex((step) => {
      const field = fieldOf(step);
      if (!field) return false;
      return field.of === "flour" ? name.startsWith("flours") : name === `${field.of}_g`;
    });
  return (
    <form onSubmit={submit} noValidate className="mt-5 grid gap-x-12 gap-y-6 md:grid-cols-[1fr_auto]">
      <div className="flex min-w-0 flex-col gap-5">
        <div>
          <h2 ref={heading} tabIndex={-1} className="text-3xl outline-none sm:text-4xl">
            {feedText.markTheLineLidOn}
          </h2>
          <p className="mt-1 text-lg text-soft">
            {feedText.scrapeTheWallsDownWipe(
              sheet.line_mm > 0 ? feedText.aboutMmFromTheBottom(Math.round(sheet.line_mm)) : "",
            )}
          </p>
        </div>
        {sheet.mend && <Mending mend={sheet.mend} sheet={sheet} draft={draft} set={set} />}
        {sheet.discard_g > 0 && !first && (
          <div>
            <Choice
              label={feedText.theTakenOut(grams(sheet.discard_g))}
              items={DISCARD_CHOICES.filter(({ value }) => sheet.discard_is_food || value !== "jar")}
              value={draft.discardTo}
              onChange={(to: DiscardTo | null) => set({ discardTo: to })}
              none
              error={problemAt(problems, "discard_to")}
            />
            {!sheet.discard_is_food && (
              <p className="mt-1 text-sm text-soft">{feedText.notForTheDiscardJar}</p>
            )}
          </div>
        )}
        <WhenField
          label={commonText.when}
          value={draft.when}
          onChange={(at) => set({ when: at })}
          zone={zone}
          error={problemAt(problems, "at")}
          lastNight
        />
        {conflict && (
          <Meanwhile
            problem={conflict}
            onBoth={() => void save(draft, String(conflict.facts.id))}
            onOnlyTheirs={clear}
            jarId={jar.id}
          />
        )}
        {problems.length > 0 && !conflict && (
          <Trouble>
            <strong>{commonText.notSavedYet}</strong>{" "}
            {elsewhere.map((one) => {
              const at = stepOf(one.field);
              return (
                <span key={one.field}>
                  {fieldWords(one.field)}: {problemWords(one)}{" "}
                  {at >= 0 && (
                    <Button look="plain" onClick={() => set({ step: at })}>
                      {feedText.goBackToIt}
                    </Button>
                  )}
                </span>
              );
            })}
            {elsewhere.length === 0 &&
              commonText.see(problems.map((one) => fieldWords(one.field)).join(", "))}
          </Trouble>
        )}
        <div className="flex gap-3">
          <Button onClick={() => set({ step: walk.length - 1 })}>{feedText.back}</Button>
          <Button type="submit" look="act" disabled={busy} className="grow text-lg sm:grow-0 sm:px-14">
            {busy ? commonText.saving : first ? feedText.itIsMixed : feedText.itIsFed}
          </Button>
        </div>
        <details
          open={
            draft.line !== "" ||
            draft.note !== "" ||
            problems.some(({ field }) => field === "line_mm" || field === "note")
          }
        >
          <summary className="min-h-11 py-2 font-semibold text-crust">{feedText.aMeasuredLineANote}</summary>
          <div className="grid max-w-2xl gap-4 pt-2 sm:grid-cols-[12rem_1fr]">
            <NumberField
              label={feedText.newLine}
              unit="mm"
              hint={feedText.heightAfterTheFeedIf}
              value={draft.line}
              onText={(text) => set({ line: text })}
              error={problemAt(problems, "line_mm")}
            />
            <TextArea
              label={commonText.note}
              value={draft.note}
              onChange={(event) => set({ note: event.target.value })}
              error={problemAt(problems, "note")}
            />
          </div>
        </details>
      </div>
      <Filling opened={opened} sheet={sheet} shows={shows} at={walk.length - 1} />
      <Confirm
        open={asking.length > 0}
        onOpenChange={() => setAsking([])}
        title={feedText.isThatWhatWentIn}
        yes={feedText.yesThatIsRight}
        onYes={() => void save(draft)}
      >
        <p>{farOffWords(asking, draft, sheet)}</p>
      </Confirm>
    </form>
  );
}
