/**
 * Writes that must not be lost. Each is put down on this device before it is sent, sent in order by one page at a time,
 * and taken off only when the server has answered. Every write carries an id made here or names what it changes, so
 * sending twice is safe; it names its account, so that it never goes out as another's.
 */
import { useSyncExternalStore } from "react";
import { heardTime } from "../lib/clock";
import { draftKey, readAllStored, writeStored } from "../lib/store";
import { csrfToken } from "./client";
import { asBase64, dropPhoto, keptPhoto } from "./photos";
import { browserShelf, type Kept, type Shelf, type Write } from "./shelf";
import type { Problem, Problems } from "./types";

export type { Write } from "./shelf";

export type Outcome =
  | { readonly kind: "saved" }
  | { readonly kind: "waiting" }
  | { readonly kind: "refused"; readonly problems: readonly Problem[] };

export type Refused = { readonly write: Write; readonly problems: readonly Problem[] };

/** What of the account that is signed in has not arrived. */
export type OutboxState = {
  readonly waiting: readonly Write[];
  readonly refused: readonly Refused[];
  /** Those over which the server stumbles: they stand before no other. */
  readonly aside: readonly Write[];
  /** The server answered that nobody is signed in, or somebody else. */
  readonly signedOut: boolean;
};

export type Owner = { readonly id: string; readonly name: string };

type Settled = { kind: "saved" } | { kind: "refused"; problems: readonly Problem[] } | { kind: "stumbled" };
type Reply = Settled | { kind: "away" } | { kind: "signed-out" };

const FIRST_WAIT_MS = 1_000;
const LONGEST_WAIT_MS = 20_000;
const ANSWER_WITHIN_MS = 15_000;
// So often the server may stumble over one write before it is set aside and the others go on.
const MOST_STUMBLES = 3;
const NAME = "despertar-outbox";

/** What the server says when it or its database is not there, or has its hands full: no fault of the write. */
const AWAY = new Set([429, 502, 503, 504]);

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
      headers: {
        "Content-Type": "application/json",
        "X-CSRFToken": csrfToken(),
        // Whoever is signed in by now: the server takes it only as whose it is.
        "X-Despertar-Account": write.account,
      },
      ...(body === null ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
    });
  } catch {
    return { kind: "away" };
  }
  heardTime(answer.headers.get("Date"));
  if (answer.ok) {
    if (write.photo) await dropPhoto(write.photo).catch(() => undefined);
    return { kind: "saved" };
  }
  if (answer.status === 401) return { kind: "signed-out" };
  if (AWAY.has(answer.status)) return { kind: "away" };
  if (answer.status >= 500 && answer.status !== 507) return { kind: "stumbled" };
  let problems: Problem[] = [];
  try {
    problems = [...((await answer.json()) as Problems).errors];
  } catch {
    return { kind: "stumbled" };
  }
  if (problems.some(({ code }) => code === "other_account")) return { kind: "signed-out" };
  if (answer.status === 403 && again) {
    // The cookie of the token may have gone since the page was loaded; asking for the session sets it anew.
    await fetch("/api/session").catch(() => null);
    return post(write, false);
  }
  return { kind: "refused", problems };
}

const NO_ROOM: Problem = { code: "no_room", field: "", message: "no room", facts: {} };

type Locked = <T>(work: () => Promise<T>) => Promise<T>;

/** One page of the browser sends at a time; where the browser has no locks, each does, and ids make it safe. */
const oneAtATime: Locked = async (work) =>
  "locks" in globalThis.navigator ? await navigator.locks.request(NAME, work) : await work();

export class Outbox {
  private state: OutboxState = { waiting: [], refused: [], aside: [], signedOut: false };
  private kept: readonly Kept[] = [];
  private readonly listeners = new Set<() => void>();
  private readonly savedListeners = new Set<() => void>();
  private readonly askers = new Map<string, (outcome: Outcome) => void>();
  private readonly others: BroadcastChannel | null;
  private account: Owner | null = null;
  private running = false;
  private again = false;
  private wait = FIRST_WAIT_MS;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly shelf: Shelf,
    private readonly send: (write: Write) => Promise<Reply> = post,
    private readonly locked: Locked = oneAtATime,
  ) {
    this.others = "BroadcastChannel" in globalThis ? new BroadcastChannel(NAME) : null;
    this.others?.addEventListener("message", () => void this.reload());
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

  /** From now on writes of this account go out; another account's wait, unseen, for its return. */
  async signedInAs(account: Owner | null): Promise<void> {
    this.account = account;
    this.change({ signedOut: false });
    if (account) await this.takeOver(account);
    await this.reload();
    await this.run();
  }

  get owner(): string {
    return this.account?.id ?? "";
  }

  /** Put a write down and try it. Answers when the server has, or as soon as it is known to be out of reach. */
  async submit(write: Write): Promise<Outcome> {
    try {
      await this.keep({ write, state: "waiting", problems: [], stumbles: 0 });
    } catch {
      return this.sendUnkept(write);
    }
    return new Promise((resolve) => {
      this.askers.set(write.key, resolve);
      void this.run();
    });
  }

  /** Try again at once, also what was set aside. */
  retry = async (): Promise<void> => {
    clearTimeout(this.timer);
    this.timer = undefined;
    for (const one of this.mine("aside")) await this.keep({ ...one, state: "waiting", stumbles: 0 });
    await this.run();
  };

  /** Let one write go for good, whatever state it is in. */
  dismiss = async (key: string): Promise<void> => {
    const one = this.kept.find(({ write }) => write.key === key);
    await this.shelf.drop(key);
    if (one?.write.photo) await dropPhoto(one.write.photo).catch(() => undefined);
    await this.told();
  };

  /** A write goes back to its form to be mended: it is let go here, and what was typed is there. */
  reopen = async (key: string): Promise<void> => {
    const one = this.kept.find(({ write }) => write.key === key);
    if (one) putBack(one.write);
    await this.dismiss(key);
  };

  /** There was no room to keep it: it is sent or it stays in its form, and nobody says that it was kept. */
  private async sendUnkept(write: Write): Promise<Outcome> {
    const reply = await this.send(write);
    if (reply.kind === "saved") for (const listener of this.savedListeners) listener();
    if (reply.kind === "saved" || reply.kind === "refused") return reply;
    return { kind: "refused", problems: [NO_ROOM] };
  }

  private async run(): Promise<void> {
    if (this.account === null) return;
    if (this.running) {
      this.again = true;
      return;
    }
    this.running = true;
    clearTimeout(this.timer);
    try {
      let away: boolean;
      do {
        this.again = false;
        away = await this.locked(() => this.sendAll());
      } while (this.again && !away);
      // Who came just as the server was found to be away.
      if (away) this.tellAllWait();
    } finally {
      this.running = false;
    }
  }

  /** Answers whether the server was found to be away. */
  private async sendAll(): Promise<boolean> {
    await this.reload();
    for (let next = this.next(); next; next = this.next()) {
      const reply = await this.send(next.write);
      if (reply.kind === "away" || reply.kind === "signed-out") {
        this.stay(reply.kind === "signed-out");
        return true;
      }
      if (reply.kind === "stumbled" && next.stumbles + 1 < MOST_STUMBLES) {
        await this.keep({ ...next, stumbles: next.stumbles + 1 });
        this.stay(false);
        return true;
      }
      await this.settle(next, reply);
    }
    this.wait = FIRST_WAIT_MS;
    return false;
  }

  /** The earliest that waits. What belongs to a jar that was itself set aside waits with it. */
  private next(): Kept | undefined {
    const held = this.mine("aside").map(({ write }) => write.key);
    return this.mine("waiting").find(({ write }) => !held.some((key) => write.path.includes(key)));
  }

  private mine(state: Kept["state"]): readonly Kept[] {
    return this.kept.filter((one) => one.state === state && one.write.account === this.account?.id);
  }

  private stay(signedOut: boolean): void {
    this.change({ signedOut });
    this.tellAllWait();
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.run(), this.wait);
    this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS);
  }

  private tellAllWait(): void {
    for (const [, tell] of this.askers) tell({ kind: "waiting" });
    this.askers.clear();
  }

  private async settle(one: Kept, reply: Settled): Promise<void> {
    if (reply.kind === "saved") await this.shelf.drop(one.write.key);
    else if (reply.kind === "stumbled") await this.shelf.put({ ...one, state: "aside" });
    else await this.shelf.put({ ...one, state: "refused", problems: reply.problems });
    if (reply.kind === "refused" && !this.askers.has(one.write.key)) putBack(one.write);
    await this.told();
    if (reply.kind === "saved") for (const listener of this.savedListeners) listener();
  }

  private async keep(one: Kept): Promise<void> {
    await this.shelf.put(one);
    await this.told();
  }

  private async told(): Promise<void> {
    await this.reload();
    this.others?.postMessage("changed");
  }

  /** What all pages know by now; whoever still stands at a form here is answered by it. */
  private async reload(): Promise<void> {
    const kept = await this.shelf.all().catch(() => []);
    this.kept = [...kept].sort((a, b) => a.write.madeAt - b.write.madeAt);
    for (const [key, tell] of [...this.askers]) {
      const one = this.kept.find(({ write }) => write.key === key);
      if (one?.state === "waiting") continue;
      this.askers.delete(key);
      if (!one) tell({ kind: "saved" });
      else if (one.state === "aside") tell({ kind: "waiting" });
      else {
        tell({ kind: "refused", problems: one.problems });
        await this.shelf.drop(key);
        this.kept = this.kept.filter(({ write }) => write.key !== key);
      }
    }
    this.change({
      waiting: this.mine("waiting").map(({ write }) => write),
      aside: this.mine("aside").map(({ write }) => write),
      refused: this.mine("refused").map(({ write, problems }) => ({ write, problems })),
    });
  }

  /** What an earlier version kept elsewhere and under the account's name. */
  private async takeOver(account: Owner): Promise<void> {
    for (const write of readAllStored<Write>(FORMERLY)) {
      if (write.account !== account.name) continue;
      await this.shelf.put({
        write: { ...write, account: account.id },
        state: "waiting",
        problems: [],
        stumbles: 0,
      });
      writeStored(FORMERLY + write.key, null);
    }
  }

  private change(part: Partial<OutboxState>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }
}

const FORMERLY = "outbox.waiting.";

/** What was typed is in its form again. */
function putBack({ reopen, account }: Write): void {
  if (reopen) writeStored(draftKey(reopen.draft, account), reopen.value);
}

export const outbox = new Outbox(browserShelf);
globalThis.addEventListener?.("online", () => void outbox.retry());

export function useOutbox(): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.snapshot);
}
