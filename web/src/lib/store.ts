/** Values kept on this device. A browser that forbids storage loses them at the end of the visit, nothing else. */
import { useCallback, useMemo, useState, useSyncExternalStore } from "react";

const PREFIX = "despertar.";
const memory = new Map<string, string>();

function textOf(key: string): string | null {
  try {
    return localStorage.getItem(PREFIX + key);
  } catch {
    return memory.get(key) ?? null;
  }
}

function parsed<T>(text: string | null): T | null {
  if (text === null) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
}

export function readStored<T>(key: string): T | null {
  return parsed<T>(textOf(key));
}

/** Every stored value whose key begins so. Kept one by one, so that two open pages do not write over each other. */
export function readAllStored<T>(start: string): T[] {
  let keys: string[];
  try {
    keys = Object.keys(localStorage);
  } catch {
    keys = [...memory.keys()];
  }
  return keys
    .filter((key) => key.startsWith(PREFIX + start))
    .map((key) => readStored<T>(key.slice(PREFIX.length)))
    .filter((value) => value !== null);
}

export function writeStored(key: string, value: unknown): void {
  const text = value === null ? null : JSON.stringify(value);
  try {
    if (text === null) localStorage.removeItem(PREFIX + key);
    else localStorage.setItem(PREFIX + key, text);
  } catch {
    if (text === null) memory.delete(key);
    else memory.set(key, text);
  }
}

const listeners = new Set<() => void>();

function listen(listener: () => void): () => void {
  listeners.add(listener);
  // Another page of the same browser writes too.
  globalThis.addEventListener("storage", listener);
  return () => {
    listeners.delete(listener);
    globalThis.removeEventListener("storage", listener);
  };
}

/** A choice of this device that stays until it is made otherwise; wherever it is shown, it changes at once. */
export function useStored<T>(key: string, initial: T): [T, (next: T) => void] {
  const text = useSyncExternalStore(listen, () => textOf(key));
  const change = useCallback(
    (next: T) => {
      writeStored(key, next);
      for (const listener of listeners) listener();
    },
    [key],
  );
  // The same value for as long as the same is kept.
  const kept = useMemo(() => parsed<T>(text), [text]);
  return [kept ?? initial, change];
}

let owner = "";

/** From now on drafts are this account's: the next baker at this device does not see them. */
export function draftsOf(account: string): void {
  owner = account;
}

export function draftKey(key: string, account = owner): string {
  return `draft.${account}.${key}`;
}

/** Where a feed of a jar that was begun is kept. */
export function feedKey(jarId: string): string {
  return `feed2.${jarId}`;
}

/** Whether something was begun under this name and neither saved nor thrown away. */
export function isBegun(key: string): boolean {
  return readStored(draftKey(key)) !== null;
}

/** State that survives a reload until it is cleared: what the baker typed and has not saved. */
export function useDraft<T>(key: string, initial: () => T): [T, (next: T) => void, () => void] {
  const [value, setValue] = useState<T>(() => readStored<T>(draftKey(key)) ?? initial());
  const change = useCallback(
    (next: T) => {
      setValue(next);
      writeStored(draftKey(key), next);
    },
    [key],
  );
  const clear = useCallback(() => writeStored(draftKey(key), null), [key]);
  return [value, change, clear];
}
