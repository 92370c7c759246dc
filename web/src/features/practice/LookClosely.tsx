import { useState } from "react";
import type { PracticeFrame, PracticeMeaning } from "../../api/types";
import { times } from "../../lib/numbers";
import { Button } from "../../ui/button";
import { Choice, choiceItems } from "../../ui/choice";
import {
  BUBBLE_WORDS,
  commonText,
  lookText,
  MEANING_WORDS,
  practiceText,
  SMELL_WORDS,
  THICKNESS_WORDS,
  TOP_WORDS,
} from "../../words";

/** What there is to see and smell; the level is the baker's own to read, and so is what it means. */
export function LookClosely({
  frame,
  level,
  onNoted,
  onClose,
}: {
  readonly frame: PracticeFrame;
  /** As the handle on the jar stands. */
  readonly level: number;
  readonly onNoted: (meaning: PracticeMeaning | null) => void;
  readonly onClose: () => void;
}) {
  const [meaning, setMeaning] = useState<PracticeMeaning | null>(null);
  const seen: readonly (readonly [string, string])[] = [
    [commonText.bubbles, BUBBLE_WORDS[frame.bubbles]],
    [commonText.top, frame.top.map((one) => TOP_WORDS[one]).join(", ")],
    [commonText.smell, frame.smell.map((one) => SMELL_WORDS[one]).join(", ")],
    ...(frame.thickness ? [[lookText.thicknessTipped, THICKNESS_WORDS[frame.thickness]] as const] : []),
  ];
  return (
    <section aria-labelledby="seen" className="flex flex-col gap-4 rounded-xl border border-edge bg-card p-5">
      <h2 id="seen" className="text-xl">
        {practiceText.seen}
      </h2>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {seen.map(([what, how]) => (
          <div key={what} className="contents">
            <dt className="text-soft">{what}</dt>
            <dd className="font-semibold">{how}</dd>
          </div>
        ))}
      </dl>
      <p>
        <span className="font-semibold">{practiceText.readLevel}</span>{" "}
        <output className="text-2xl font-bold">{times(level)}</output>
        <span className="block text-soft">{practiceText.dragLevel}</span>
      </p>
      <Choice
        label={practiceText.means}
        items={choiceItems(MEANING_WORDS)}
        value={meaning}
        onChange={setMeaning}
        none
      />
      <p className="flex flex-wrap gap-3">
        <Button look="act" onClick={() => onNoted(meaning)}>
          {practiceText.noteLook}
        </Button>
        <Button look="plain" onClick={onClose}>
          {practiceText.closeLook}
        </Button>
      </p>
    </section>
  );
}
