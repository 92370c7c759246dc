/** Values kept on this device. A browser that forbids storage loses them at the end of the visit, nothing else. */
import { useCallback, useState } from "react";

const PREFIX = "despertar.";
const memory = new Map<string, string>();

export function readStored<T>(key: string): T | null {
  let text: string | null;
  try {
    text = localStorage.getItem(PREFIX + key);
  } catch {
    text = memory.get(key) ?? null;
  }
  if (text === null) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
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

/** A choice of this device that stays until it is made otherwise. */
export function useStored<T>(key: string, initial: T): [T, (next: T) => void] {
  const [value, setValue] = useState<T>(() => readStored<T>(key) ?? initial);
  const change = useCallback(
    (next: T) => {
      setValue(next);
      writeStored(key, next);
    },
    [key],
  );
  return [value, change];
}

/** State that survives a reload until it is cleared: what the baker typed and has not saved. */
export function useDraft<T>(key: string, initial: () => T): [T, (next: T) => void, () => void] {
  const [value, setValue] = useState<T>(() => readStored<T>(`draft.${key}`) ?? initial());
  const change = useCallback(
    (next: T) => {
      setValue(next);
      writeStored(`draft.${key}`, next);
    },
    [key],
  );
  const clear = useCallback(() => writeStored(`draft.${key}`, null), [key]);
  return [value, change, clear];
}
