import { keepPreviousData } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import { BUBBLE_PICTURES, TOP_PICTURES } from "../../drawing/glyphs";
import { useTitle } from "../../lib/hooks";
import { Choice, Choices, choiceItems } from "../../ui/choice";
import { SignNote } from "../../ui/sign-note";
import { OutOfReach } from "../../ui/states";
import { signNote } from "../../words/judging";
import { BUBBLE_WORDS, SMELL_WORDS, THICKNESS_WORDS, TOP_HINTS, TOP_WORDS } from "../../words/looks";
import { AGES, BEGINNINGS, bodyOf, type Described, isBlank, LEVELS, NOTHING, SINCE } from "./described";

/** Look it up by what is seen and smelt: the rules that watch the log, for a jar without one. */
export function SignsPage() {
  useTitle("Signs");
  const [it, setIt] = useState<Described>(NOTHING);
  const set = (part: Partial<Described>) => setIt({ ...it, ...part });
  return (
    <div className="pt-6">
      <h1 className="text-3xl">What does it show?</h1>
      <p className="mt-1 text-soft">Press what you see and smell. The same rules watch over your jars.</p>
      <div className="mt-6 grid gap-x-12 gap-y-8 md:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-6">
          <Choices
            label="Top"
            items={choiceItems(TOP_WORDS, TOP_PICTURES, TOP_HINTS)}
            value={it.top}
            onChange={(top) => set({ top })}
          />
          <Choices
            label="Smell"
            items={choiceItems(SMELL_WORDS)}
            value={it.smell}
            onChange={(smell) => set({ smell })}
          />
          <Choice
            label="Level"
            items={choiceItems(LEVELS)}
            value={it.level}
            onChange={(level) => set({ level })}
            none
          />
          <Choice
            label="Bubbles"
            items={choiceItems(BUBBLE_WORDS, BUBBLE_PICTURES)}
            value={it.bubbles}
            onChange={(bubbles) => set({ bubbles })}
            none
          />
          <Choice
            label="Thickness"
            items={choiceItems(THICKNESS_WORDS)}
            value={it.thickness}
            onChange={(thickness) => set({ thickness })}
            none
          />
          <Choice
            label="How old it is"
            items={choiceItems(AGES)}
            value={it.age}
            onChange={(age) => age && set({ age })}
          />
          <Choice
            label="Last fed"
            items={choiceItems(SINCE)}
            value={it.since}
            onChange={(since) => since && set({ since })}
          />
          <Choice
            label="Begun with"
            items={choiceItems(BEGINNINGS)}
            value={it.began}
            onChange={(began) => began && set({ began })}
          />
        </div>
        <Meaning it={it} />
      </div>
    </div>
  );
}

function Meaning({ it }: { readonly it: Described }) {
  const blank = isBlank(it);
  const found = api.useQuery(
    "post",
    "/api/signs",
    { body: bodyOf(it) },
    { enabled: !blank, placeholderData: keepPreviousData, retry: false },
  );
  const findings = blank ? [] : (found.data?.findings ?? []);
  return (
    <aside
      aria-label="What it means"
      aria-live="polite"
      className="sticky bottom-0 flex max-h-[45vh] flex-col gap-4 self-start overflow-y-auto border-t-2 border-rule bg-paper py-4 md:top-6 md:max-h-none md:border-t-0 md:border-l-2 md:py-0 md:pl-8"
    >
      <h2 className="text-2xl">What it means</h2>
      {blank && <p className="text-soft">Nothing pressed yet.</p>}
      {!blank && found.isError && <OutOfReach onRetry={() => void found.refetch()} />}
      {!blank && found.data && findings.length === 0 && <p>Nothing unusual in that. Keep to the plan.</p>}
      {findings.map((one) => (
        <SignNote key={one.sign} {...signNote(one)} />
      ))}
    </aside>
  );
}
