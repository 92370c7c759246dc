/** What a draft differs in from the jar beside which it is to stand. */
import type { OptionCode } from "../../api/types";
import type { JarDraft } from "./draft";

/** An option of the way, or what is chosen beside it. */
export type Apart = OptionCode | "warmth" | "jar";

const FLOURS: ReadonlySet<string> = new Set(["first_blend", "middle_blend", "blend"]);

function differ(one: unknown, other: unknown): boolean {
  return JSON.stringify(one) !== JSON.stringify(other);
}

/** Each once; of whatever feeds a flour is chosen for, it is one thing. */
export function apartFrom(plain: JarDraft, draft: JarDraft): Apart[] {
  const found = new Set<Apart>();
  if (draft.family !== plain.family || differ(draft.method, plain.method)) found.add("way");
  else {
    const [mine, theirs] = [draft.chosen[draft.family] ?? {}, plain.chosen[plain.family] ?? {}];
    for (const code of Object.keys({ ...theirs, ...mine }) as OptionCode[])
      if (differ(mine[code], theirs[code])) found.add(FLOURS.has(code) ? "blend" : code);
  }
  if (draft.warmth !== plain.warmth || draft.night !== plain.night || draft.thermometer !== plain.thermometer)
    found.add("warmth");
  if (draft.volume !== plain.volume || draft.height !== plain.height || draft.size !== plain.size)
    found.add("jar");
  return [...found];
}
