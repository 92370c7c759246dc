/** The draft of a new jar and what follows from it: its way, where it begins, when, and what was chosen. */
import { useRef } from "react";
import { api } from "../../api/client";
import type { Catalogue, Family, FamilyCode, OptionCode, Origin } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { useRested } from "../../lib/hooks";
import { useDraft } from "../../lib/store";
import { deviceZone } from "../../lib/time";
import { momentOf } from "../../lib/when";
import { beginningAt, type Chosen, type JarDraft, originOf } from "./draft";
import { readyDay, useOffered } from "./offered";

/** A start this far back was a start, not a slow thumb. */
const LONG_AGO_MS = 3 * 3_600_000;
const HOUR_MS = 3_600_000;

export function useChosen(catalogue: Catalogue, draftKey: string, begun: JarDraft) {
  const { families } = catalogue;
  const session = api.useQuery("get", "/api/session");
  const zone = session.data?.account?.time_zone ?? deviceZone();
  const [draft, setDraft, clear] = useDraft<JarDraft>(draftKey, () => begun);
  const set = (part: Partial<JarDraft>) => setDraft({ ...draft, ...part });
  const rested = useRested(draft, 250);
  const startsAt = Date.parse(momentOf(draft.start, nowMs(), zone));
  // To the hour, so that what was foreseen a minute ago still holds.
  const hour = Math.floor((Number.isNaN(startsAt) ? nowMs() : startsAt) / HOUR_MS) * HOUR_MS;
  const start = new Date(hour).toISOString();
  const told = familyOf(families, draft.family);
  const origin = originOf(told, draft.chosen[told.code] ?? {});
  const offered = useOffered(rested, familyOf(families, rested.family), origin, start);
  const at = (code: FamilyCode) => beginningAt(familyOf(families, code), draft.chosen[code] ?? {}, origin);
  // Who has not chosen a way goes by the one that fits this kitchen best.
  const found = offered.data?.find((one) => one.suggested)?.compared.family as FamilyCode | undefined;
  // What was suggested last stands while a number is being typed that no kitchen has.
  const last = useRef<FamilyCode | undefined>(undefined);
  if (found !== undefined) last.current = found;
  const suggested = found ?? last.current;
  const code = draft.wayChosen || suggested === undefined ? draft.family : suggested;
  const family = familyOf(families, code);
  const chosen = code === draft.family ? (draft.chosen[code] ?? {}) : at(code);
  const asPlanned = (one: JarDraft): JarDraft =>
    code === one.family ? one : { ...one, family: code, chosen: { ...one.chosen, [code]: at(code) } };
  const choose = (option: OptionCode, value: Chosen[OptionCode]) =>
    set({ ...asPlanned(draft), chosen: { ...draft.chosen, [code]: { ...chosen, [option]: value } } });
  /** What it takes to begin a way there. */
  const begin = (next: FamilyCode, from: Origin): Partial<JarDraft> => ({
    family: next,
    method: null,
    chosen: {
      ...draft.chosen,
      [next]: beginningAt(familyOf(families, next), draft.chosen[next] ?? {}, from),
    },
  });
  return {
    zone,
    draft: asPlanned(draft),
    set,
    clear,
    rested: asPlanned(rested),
    family,
    restedFamily: family,
    chosen,
    choose,
    begin,
    take: (next: FamilyCode) => set({ ...begin(next, origin), wayChosen: true }),
    offered,
    /** The ways that can begin so, with the likely day of each. */
    others: (offered.data ?? []).map((one) => ({
      code: one.compared.family as FamilyCode,
      likely: readyDay(one.ready_on, one.compared.ready, start, origin).likely,
    })),
    origin,
    longAgo: startsAt < nowMs() - LONG_AGO_MS,
    start,
  };
}

export type Choosing = ReturnType<typeof useChosen>;

function familyOf(families: readonly Family[], code: FamilyCode): Family {
  const found = families.find((family) => family.code === code) ?? families[0];
  if (!found) throw new Error("there is no family");
  return found;
}
