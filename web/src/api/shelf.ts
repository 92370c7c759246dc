/** Where writes wait on this device: the browser's own database, shared by all open pages. */
import { createStore, del, entries, set } from "idb-keyval";
import type { Problem } from "./types";

export type Write = {
  readonly key: string;
  /** When it was put down on this device, in ms: the order of sending. */
  readonly madeAt: number;
  /** The id of the account whose it is. */
  readonly account: string;
  readonly method: "POST" | "PUT";
  readonly path: string;
  readonly body: unknown;
  /** What it is, for the baker: "Look at Harbour". */
  readonly label: string;
  /** Where the baker can open it again if it is refused later, with the draft it is put back to. */
  readonly reopen: { readonly path: string; readonly draft: string; readonly value: unknown } | null;
  /** The id of a photo kept on this device that goes with it. */
  readonly photo?: string;
};

/**
 * A write and how it stands: waiting to be sent; refused by the server; or set aside because the server stumbled over
 * it, so that it does not stand before the others.
 */
export type Kept = {
  readonly write: Write;
  readonly state: "waiting" | "refused" | "aside";
  readonly problems: readonly Problem[];
  readonly stumbles: number;
};

export type Shelf = {
  readonly all: () => Promise<readonly Kept[]>;
  /** Rejects where there is no room, or the browser keeps nothing. */
  readonly put: (kept: Kept) => Promise<void>;
  readonly drop: (key: string) => Promise<void>;
};

let opened: ReturnType<typeof createStore> | undefined;
// Not before it is asked for: a page that keeps nothing opens nothing.
const store = () => (opened ??= createStore("despertar-outbox", "writes"));

export const browserShelf: Shelf = {
  all: async () => (await entries<string, Kept>(store())).map(([, kept]) => kept),
  put: async (kept) => set(kept.write.key, kept, store()),
  drop: async (key) => del(key, store()),
};
