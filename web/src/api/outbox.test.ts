// @vitest-environment jsdom
import { beforeEach, describe, expect, it, vi } from "vitest";
import { draftKey, readStored, writeStored } from "../lib/store";
import { Outbox, type Write } from "./outbox";
import type { Kept, Shelf } from "./shelf";
import type { Problem } from "./types";

type Reply = Awaited<ReturnType<NonNullable<ConstructorParameters<typeof Outbox>[1]>>>;

const PROBLEM: Problem = { code: "out_of_range", field: "keep_g", message: "", facts: {} };
const INES = { id: "1", name: "Ines" };
const NOOR = { id: "2", name: "Noor" };
const STUMBLED: Reply = { kind: "stumbled" };
let clock = 0;

/** Kept as long as the test runs. */
function memoryShelf(kept = new Map<string, Kept>()): Shelf {
  return {
    all: async () => [...kept.values()],
    put: async (one) => {
      kept.set(one.write.key, one);
    },
    drop: async (key) => {
      kept.delete(key);
    },
  };
}

function write(key: string, account = INES.id, path = "/api"): Write {
  clock += 1;
  const reopen = { path: "/jars/1/look", draft: "look.1", value: { level: "9" } };
  return { key, madeAt: clock, account, method: "POST", path, body: {}, label: key, reopen };
}

/** An outbox whose server answers from a list, and what it was sent. */
function box(answers: Reply[] = [], shelf: Shelf = memoryShelf()) {
  const sent: string[] = [];
  const send = async (one: Write) => {
    sent.push(one.key);
    return answers.shift() ?? ({ kind: "saved" } as const);
  };
  const outbox = new Outbox(shelf, send, (work) => work());
  void outbox.signedInAs(INES);
  return { outbox, sent, shelf };
}

async function keys(shelf: Shelf, state: Kept["state"] = "waiting"): Promise<string[]> {
  const kept = (await shelf.all()).filter((one) => one.state === state);
  return kept.map(({ write: one }) => one.key);
}

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
  return () => vi.useRealTimers();
});

describe("the outbox", () => {
  it("says when a write was taken, and forgets it", async () => {
    const { outbox, shelf } = box();
    expect(await outbox.submit(write("a"))).toEqual({ kind: "saved" });
    expect(outbox.snapshot().waiting).toEqual([]);
    expect(await shelf.all()).toEqual([]);
  });

  it("hands a refusal to the form that is still open", async () => {
    const { outbox } = box([{ kind: "refused", problems: [PROBLEM] }]);
    expect(await outbox.submit(write("a"))).toEqual({ kind: "refused", problems: [PROBLEM] });
    expect(outbox.snapshot()).toMatchObject({ waiting: [], refused: [] });
    expect(readStored(draftKey("look.1", INES.id))).toBeNull();
  });

  it("keeps what could not be sent, also for the next visit, and sends it in order", async () => {
    const { outbox, sent, shelf } = box([{ kind: "away" }, { kind: "away" }]);
    expect(await outbox.submit(write("a"))).toEqual({ kind: "waiting" });
    expect(await outbox.submit(write("b"))).toEqual({ kind: "waiting" });
    expect(await keys(shelf)).toEqual(["a", "b"]);
    await vi.runAllTimersAsync();
    expect(sent).toEqual(["a", "a", "a", "b"]);
    expect(outbox.snapshot().waiting).toEqual([]);
  });

  it("waits longer each time, but tries at once when asked", async () => {
    const { outbox, sent } = box([{ kind: "away" }, { kind: "away" }, { kind: "away" }]);
    await outbox.submit(write("a"));
    await vi.advanceTimersByTimeAsync(1_000);
    expect(sent).toHaveLength(2);
    await vi.advanceTimersByTimeAsync(1_000);
    expect(sent).toHaveLength(2);
    await outbox.retry();
    expect(sent).toHaveLength(3);
  });

  it("puts what is refused later back where it was typed", async () => {
    const { outbox, shelf } = box([{ kind: "away" }, { kind: "refused", problems: [PROBLEM] }]);
    await outbox.submit(write("a"));
    await vi.runAllTimersAsync();
    expect(outbox.snapshot().refused.map((one) => one.write.key)).toEqual(["a"]);
    expect(readStored(draftKey("look.1", INES.id))).toEqual({ level: "9" });
    await outbox.dismiss("a");
    expect(await shelf.all()).toEqual([]);
  });

  it("never sends one account's writes as another, nor shows them", async () => {
    const { outbox, sent } = box();
    void outbox.submit(write("hers", NOOR.id));
    await vi.runAllTimersAsync();
    expect(sent).toEqual([]);
    expect(outbox.snapshot().waiting).toEqual([]);
    await outbox.signedInAs(NOOR);
    expect(sent).toEqual(["hers"]);
  });

  it("stops and says so when nobody is signed in any more", async () => {
    const { outbox } = box([{ kind: "signed-out" }]);
    expect(await outbox.submit(write("a"))).toEqual({ kind: "waiting" });
    expect(outbox.snapshot()).toMatchObject({ signedOut: true, waiting: [{ key: "a" }] });
  });

  it("sends the same write once when it is put down twice", async () => {
    const { outbox, sent } = box([{ kind: "away" }]);
    await outbox.submit(write("a"));
    void outbox.submit(write("a"));
    await vi.runAllTimersAsync();
    expect(sent.filter((key) => key === "a")).toHaveLength(2);
    expect(outbox.snapshot().waiting).toEqual([]);
  });
});

describe("what will not go through", () => {
  it("stands before no other: after three stumbles it is set aside, and can be tried again", async () => {
    const { outbox, sent, shelf } = box([STUMBLED, STUMBLED, STUMBLED]);
    expect(await outbox.submit(write("bad"))).toEqual({ kind: "waiting" });
    void outbox.submit(write("good"));
    await vi.runAllTimersAsync();
    expect(sent).toEqual(["bad", "bad", "bad", "good"]);
    expect(outbox.snapshot()).toMatchObject({ waiting: [], aside: [{ key: "bad" }] });
    expect(await keys(shelf, "aside")).toEqual(["bad"]);
    await outbox.retry();
    expect(outbox.snapshot()).toMatchObject({ waiting: [], aside: [] });
  });

  it("takes what belongs to it along: the log of a jar that is not there yet waits with the jar", async () => {
    const { outbox, sent } = box([STUMBLED, STUMBLED, STUMBLED]);
    void outbox.submit(write("jar-1"));
    void outbox.submit(write("mix", INES.id, "/api/jars/jar-1/log"));
    void outbox.submit(write("look", INES.id, "/api/jars/jar-2/log"));
    await vi.runAllTimersAsync();
    expect(sent).toEqual(["jar-1", "jar-1", "jar-1", "look"]);
    expect(outbox.snapshot().waiting.map(({ key }) => key)).toEqual(["mix"]);
  });

  it("can be opened again to be mended, or let go", async () => {
    const { outbox, shelf } = box([{ kind: "away" }, { kind: "away" }]);
    await outbox.submit(write("a"));
    await outbox.reopen("a");
    expect(readStored(draftKey("look.1", INES.id))).toEqual({ level: "9" });
    expect(await shelf.all()).toEqual([]);
  });
});

describe("a device without room", () => {
  const full: Shelf = {
    ...memoryShelf(),
    put: () => Promise.reject(new DOMException("", "QuotaExceededError")),
  };

  it("still sends, and never says that it was kept when it was not", async () => {
    expect(await box([], full).outbox.submit(write("a"))).toEqual({ kind: "saved" });
    const { outbox } = box([{ kind: "away" }], full);
    expect(await outbox.submit(write("b"))).toMatchObject({
      kind: "refused",
      problems: [{ code: "no_room" }],
    });
    expect(outbox.snapshot().waiting).toEqual([]);
  });
});

describe("two open pages", () => {
  it("share what waits: what one sent, the other hears of", async () => {
    const shelf = memoryShelf();
    const here = box([{ kind: "away" }], shelf).outbox;
    const there = box([{ kind: "away" }, { kind: "away" }], shelf).outbox;
    await here.submit(write("here"));
    await there.submit(write("there"));
    expect(await keys(shelf)).toEqual(["here", "there"]);
    await vi.runAllTimersAsync();
    expect(await shelf.all()).toEqual([]);
  });

  it("send one at a time", async () => {
    const shelf = memoryShelf();
    let under = 0;
    let most = 0;
    let last = Promise.resolve();
    const lock = <T>(work: () => Promise<T>): Promise<T> => {
      const turn = last.then(work);
      last = turn.then(
        () => undefined,
        () => undefined,
      );
      return turn;
    };
    const sent: string[] = [];
    const send = async (one: Write): Promise<Reply> => {
      under += 1;
      most = Math.max(most, under);
      await Promise.resolve();
      sent.push(one.key);
      under -= 1;
      return { kind: "saved" };
    };
    const pages = [new Outbox(shelf, send, lock), new Outbox(shelf, send, lock)];
    for (const page of pages) await page.signedInAs(INES);
    await Promise.all(pages.map((page, at) => page.submit(write(`from ${at}`))));
    expect(most).toBe(1);
    expect(sent.sort()).toEqual(["from 0", "from 1"]);
  });
});

describe("what an earlier version kept", () => {
  it("is taken over with its account's id", async () => {
    writeStored("outbox.waiting.old", { ...write("old"), account: "Ines" });
    writeStored("outbox.waiting.hers", { ...write("hers"), account: "Noor" });
    const { outbox, sent } = box();
    await outbox.retry();
    await vi.runAllTimersAsync();
    expect(sent).toEqual(["old"]);
    expect(readStored("outbox.waiting.old")).toBeNull();
    expect(readStored("outbox.waiting.hers")).not.toBeNull();
  });
});
