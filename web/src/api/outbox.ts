/**
 * Writes that must not be lost. Each is put down on this device before it is sent, sent in order, and taken off only when
 * the server has answered. Every write carries an id made here or names what it changes, so sending twice is safe.
 */
import { useSyncExternalStore } from "react";
import { readAllStored, writeStored } from "../lib/store";
import { csrfToken } from "./client";
import { asBase64, dropPhoto, keptPhoto } from "./photos";
import type { Problem, Problems } from "./types";

export type Write = {
  readonly key: string;
  /** When it was put down on this device, in ms: the order of sending. */
  readonly madeAt: number;
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

export type Outcome =
  | { readonly kind: "saved" }
  | { readonly kind: "waiting" }
  | { readonly kind: "refused"; readonly problems: readonly Problem[] };

export type Refused = { readonly write: Write; readonly problems: readonly Problem[] };

export type OutboxState = {
  readonly waiting: readonly Write[];
  readonly refused: readonly Refused[];
  /** The server answered that nobody is signed in. */
  readonly signedOut: boolean;
};

type Reply =
  | { kind: "saved" }
  | { kind: "refused"; problems: Problem[] }
  | { kind: "away" }
  | { kind: "signed-out" };

const WAITING = "outbox.waiting.";
const REFUSED = "outbox.refused.";
const FIRST_WAIT_MS = 1_000;
const LONGEST_WAIT_MS = 20_000;
const ANSWER_WITHIN_MS = 15_000;

/** One try at the server. */
async function post(write: Write, again = true): Promise<Reply> {
  let answer: Response;
  let body = write.body;
  if (write.photo) {
    const picture = await keptPhoto(write.photo).catch(() => null);
    // The browser cleared its database: the look is saved, the photo is gone; there is nothing to send again.
    if (!picture) return { kind: "saved" };
    body = { ...(body as object), photo: await asBase64(picture) };
  }
  try {
    answer = await fetch(write.path, {
      method: write.method,
      headers: { "Content-Type": "application/json", "X-CSRFToken": csrfToken() },
      ...(body === null ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
    });
  } catch {
    return { kind: "away" };
  }
  if (answer.ok) {
    if (write.photo) await dropPhoto(write.photo).catch(() => undefined);
    return { kind: "saved" };
  }
  if (answer.status === 401) return { kind: "signed-out" };
  if (answer.status >= 500 || answer.status === 429) return { kind: "away" };
  let problems: Problem[] = [];
  try {
    problems = [...((await answer.json()) as Problems).errors];
  } catch {
    return { kind: "away" };
  }
  if (answer.status === 403 && again) {
    // The cookie of the token may have gone since the page was loaded; asking for the session sets it anew.
    await fetch("/api/session").catch(() => null);
    return post(write, false);
  }
  return { kind: "refused", problems };
}

export class Outbox {
  private state: OutboxState;
  private readonly listeners = new Set<() => void>();
  private readonly savedListeners = new Set<() => void>();
  private readonly askers = new Map<string, (outcome: Outcome) => void>();
  private account: string | null = null;
  private running = false;
  private wait = FIRST_WAIT_MS;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly send: (write: Write) => Promise<Reply> = post) {
    this.state = {
      waiting: readAllStored<Write>(WAITING).sort((a, b) => a.madeAt - b.madeAt),
      refused: readAllStored<Refused>(REFUSED),
      signedOut: false,
    };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): OutboxState => this.state;

  /** Calls back after every write that was taken, so that what is shown can be asked for again. */
  onSaved(listener: () => void): () => void {
    this.savedListeners.add(listener);
    return () => this.savedListeners.delete(listener);
  }

  /** From now on writes of this account go out; another account's wait for its return. */
  signedInAs(account: string | null): void {
    this.account = account;
    this.change({ signedOut: false });
    void this.run();
  }

  get accountName(): string {
    return this.account ?? "";
  }

  /** Put a write down and try it. Answers when the server has, or as soon as it is known to be out of reach. */
  submit(write: Write): Promise<Outcome> {
    return new Promise((resolve) => {
      this.askers.set(write.key, resolve);
      const others = this.state.waiting.filter((other) => other.key !== write.key);
      writeStored(WAITING + write.key, write);
      this.change({ waiting: [...others, write] });
      void this.run();
    });
  }

  /** Try again at once. */
  retry = (): void => {
    clearTimeout(this.timer);
    this.timer = undefined;
    void this.run();
  };

  dismiss = (key: string): void => {
    writeStored(REFUSED + key, null);
    this.change({ refused: this.state.refused.filter((one) => one.write.key !== key) });
  };

  private async run(): Promise<void> {
    if (this.running || this.account === null) return;
    this.running = true;
    clearTimeout(this.timer);
    try {
      for (let write = this.next(); write; write = this.next()) {
        const reply = await this.send(write);
        if (reply.kind === "away" || reply.kind === "signed-out") {
          this.stay(reply.kind === "signed-out");
          return;
        }
        this.settle(write, reply);
      }
      this.wait = FIRST_WAIT_MS;
    } finally {
      this.running = false;
    }
  }

  private next(): Write | undefined {
    return this.state.waiting.find((write) => write.account === this.account);
  }

  private stay(signedOut: boolean): void {
    this.change({ signedOut });
    for (const [, tell] of this.askers) tell({ kind: "waiting" });
    this.askers.clear();
    this.timer = setTimeout(this.retry, this.wait);
    this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS);
  }

  private settle(write: Write, reply: { kind: "saved" } | { kind: "refused"; problems: Problem[] }): void {
    const waiting = this.state.waiting.filter((other) => other.key !== write.key);
    const tell = this.askers.get(write.key);
    this.askers.delete(write.key);
    writeStored(WAITING + write.key, null);
    if (reply.kind === "refused" && !tell) {
      // Nobody is at the form any more: keep what was typed where it can be opened again.
      if (write.reopen) writeStored(`draft.${write.reopen.draft}`, write.reopen.value);
      const refused = this.state.refused.filter((one) => one.write.key !== write.key);
      const late = { write, problems: reply.problems };
      writeStored(REFUSED + write.key, late);
      this.change({ waiting, refused: [...refused, late] });
    } else {
      this.change({ waiting });
    }
    if (reply.kind === "saved") for (const listener of this.savedListeners) listener();
    tell?.(reply);
  }

  private change(part: Partial<OutboxState>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }
}

export const outbox = new Outbox();
globalThis.addEventListener?.("online", outbox.retry);

export function useOutbox(): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.snapshot);
}
