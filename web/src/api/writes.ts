/** The baker's verbs as writes for the outbox. */
import { nowIso } from "../lib/clock";
import { newId } from "../lib/ids";
import { type Outcome, outbox, type Write } from "./outbox";
import type {
  About,
  DeedKind,
  DiscardIn,
  EndedAs,
  EntryBody,
  NewJar,
  NewTrial,
  Notice,
  Photo,
  Strictness,
} from "./types";

type Reopen = Write["reopen"];

function submit(part: Omit<Write, "account" | "madeAt">): Promise<Outcome> {
  return outbox.submit({ ...part, account: outbox.owner, madeAt: Date.now() });
}

export function planJar(jar: NewJar, label: string, reopen: Reopen): Promise<Outcome> {
  return submit({
    key: jar.id,
    method: "POST",
    path: "/api/jars",
    body: jar,
    label,
    reopen,
  });
}

/** Jars side by side: some that run, some new, all at once. */
export function beginTrial(trial: NewTrial, label: string, reopen: Reopen): Promise<Outcome> {
  return submit({ key: trial.id, method: "POST", path: "/api/trials", body: trial, label, reopen });
}

export function endTrial(
  trialId: string,
  ends: Readonly<Record<string, EndedAs>>,
  label: string,
): Promise<Outcome> {
  const path = `/api/trials/${trialId}/end`;
  return submit({ key: newId(), method: "POST", path, body: { ends }, label, reopen: null });
}

export function resumeTrial(trialId: string, label: string): Promise<Outcome> {
  const path = `/api/trials/${trialId}/resume`;
  return submit({ key: newId(), method: "POST", path, body: null, label, reopen: null });
}

export function nameTrial(trialId: string, name: string, label: string): Promise<Outcome> {
  const path = `/api/trials/${trialId}/name`;
  return submit({ key: newId(), method: "PUT", path, body: { name }, label, reopen: null });
}

export function recordEntry(
  jarId: string,
  id: string,
  seenFeed: string | null,
  entry: EntryBody,
  label: string,
  reopen: Reopen,
): Promise<Outcome> {
  const body = { id, seen_feed: seenFeed, entry };
  return submit({ key: id, method: "POST", path: `/api/jars/${jarId}/log`, body, label, reopen });
}

/** A feed or a look that was noted with the wrong jar in hand. */
export function moveEntry(entryId: string, toJar: string, label: string): Promise<Outcome> {
  const path = `/api/log/${entryId}/move`;
  return submit({ key: newId(), method: "POST", path, body: { jar_id: toJar }, label, reopen: null });
}

export function recordDeed(jarId: string, id: string, deed: DeedKind, label: string): Promise<Outcome> {
  const entry = { kind: "deed", at: nowIso(), did: deed, note: "" } as const;
  return recordEntry(jarId, id, null, entry, label, null);
}

/** What was done with a discard jar. */
export function noteDiscard(body: DiscardIn, label: string): Promise<Outcome> {
  return submit({ key: body.id, method: "POST", path: "/api/discard", body, label, reopen: null });
}

/** Nothing is due before that moment. */
export function leaveAlone(jarId: string, id: string, until: string, label: string): Promise<Outcome> {
  const entry = { kind: "leave", at: nowIso(), until, note: "" } as const;
  return recordEntry(jarId, id, null, entry, label, null);
}

/** A photo kept on this device goes to its jar, beside the look that it was taken with. */
export function sendPhoto(jarId: string, photo: PhotoOut, label: string): Promise<Outcome> {
  const { id, at, look, points } = photo;
  const body = { id, at, look, points };
  const path = `/api/jars/${jarId}/photos`;
  return submit({ key: id, method: "POST", path, body, label, reopen: null, photo: id });
}

type PhotoOut = {
  readonly id: string;
  readonly at: string;
  readonly look: string | null;
  readonly points: Photo["points"];
};

export function setPlace(
  jarId: string,
  place: { readonly warmth_c: number; readonly night_c: number | null; readonly thermometer: string | null },
  label: string,
): Promise<Outcome> {
  const path = `/api/jars/${jarId}/place`;
  return submit({ key: newId(), method: "PUT", path, body: place, label, reopen: null });
}

/** The baker's word on a verdict or on advice. */
export function sayWord(jarId: string, about: About, yes: boolean, label: string): Promise<Outcome> {
  const entry = { kind: "word", at: nowIso(), about, yes, note: "" } as const;
  return recordEntry(jarId, newId(), null, entry, label, null);
}

/** A caution was read; it is not said again. */
export function acknowledge(notice: Notice, label: string): Promise<Outcome> {
  const body = { notice };
  return submit({
    key: newId(),
    method: "POST",
    path: "/api/heard",
    body,
    label,
    reopen: null,
  });
}

export function setReadyAfter(jarId: string, rule: Strictness, label: string): Promise<Outcome> {
  const body = { ready_after: rule };
  const path = `/api/jars/${jarId}/ready-after`;
  return submit({ key: newId(), method: "PUT", path, body, label, reopen: null });
}

export function amendEntry(
  id: string,
  revision: number,
  entry: EntryBody,
  label: string,
  reopen: Reopen,
): Promise<Outcome> {
  const body = { revision, entry };
  return submit({ key: `amend.${id}`, method: "PUT", path: `/api/log/${id}`, body, label, reopen });
}

export function withdrawEntry(id: string, label: string): Promise<Outcome> {
  const path = `/api/log/${id}/withdraw`;
  return submit({ key: newId(), method: "POST", path, body: null, label, reopen: null });
}

export function restoreEntry(id: string, label: string): Promise<Outcome> {
  const path = `/api/log/${id}/restore`;
  return submit({ key: newId(), method: "POST", path, body: null, label, reopen: null });
}

export function setOnShelf(jarId: string, onShelf: boolean, label: string): Promise<Outcome> {
  const body = { on_shelf: onShelf };
  return submit({ key: newId(), method: "PUT", path: `/api/jars/${jarId}/shelf`, body, label, reopen: null });
}
