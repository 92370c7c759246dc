/** An entry of a log in words. */
import type { ByHand, DiscardTo, EntryBody } from "../../api/types";
import {
  addedWords,
  commonText,
  DEED_WORDS,
  jarText,
  keptWords,
  lookLine,
  termWords,
  wordLine,
} from "../../words";

const DISCARD_WORDS: Record<DiscardTo, string> = {
  compost: jarText.compost,
  bin: jarText.theBin,
  jar: jarText.discardJar,
};

type Told = { readonly title: string; readonly line: string };

/** `readAs` is a look's level as a multiple of the line, where the core could tell. */
export function tell(
  entry: EntryBody,
  readAs: number | null,
  now: string,
  zone: string,
  hand: ByHand | null = null,
): Told {
  if (entry.kind === "look") return { title: jarText.aLook, line: lookLine(entry, readAs) };
  if (entry.kind === "bin") return { title: jarText.binned, line: "" };
  if (entry.kind === "deed") return { title: DEED_WORDS[entry.did], line: "" };
  if (entry.kind === "leave") return { title: jarText.leftAlone, line: "" };
  if (entry.kind === "word") return { title: jarText.yourWord, line: wordLine(entry) };
  if (entry.kind !== "feed") return termWords(entry, now, zone);
  const gone = entry.discard_to ? jarText.discardToThe(DISCARD_WORDS[entry.discard_to]) : "";
  const added = addedWords({ ...entry, by_hand: hand });
  return entry.keep_g === 0
    ? { title: commonText.firstMix, line: added }
    : {
        title: jarText.fed,
        line: jarText.keptAdded(keptWords(entry.keep_g, hand?.keep, hand?.keep_part), added, gone),
      };
}
