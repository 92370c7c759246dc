import { beforeEach, describe, expect, it, vi } from "vitest";
import { readStored } from "../lib/store";
import { Outbox, type Write } from "./outbox";
import type { Problem } from "./types";

type Reply = Awaited<ReturnType<ConstructorParameters<typeof Outbox>[0] & object>>;

const PROBLEM: Problem = { code: "out_of_range", field: "keep_g", message: "", facts: {} };
let clock = 0;

function write(key: string, account = "Ines"): Write {
  clock += 1;
  const reopen = { path: "/jars/1/look", draft: "look.1", value: { level: "9" } };
  return { key, madeAt: clock, account, method: "POST", path: "/api", body: {}, label: key, reopen };
}

/** An outbox whose server answers from a list, and what it was sent. */
function box(...answers: Reply[]) {
  const sent: string[] = [];
  const outbox = new Outbox(async (one) => {
    sent.push(one.key);
    return answers.shift() ?? { kind: "saved" };
  });
  outbox.signedInAs("Ines");
  return { outbox, sent };
}

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
  return () => vi.useRealTimers();
});

describe("the outbox", () => {
  it("says when a write was taken, and forgets it", async () => {
    const { outbox } = box();
    expect(await outbox.submit(write("a"))).toEqual({ kind: "saved" });
    expect(outbox.snapshot().waiting).toEqual([]);
    expect(new Outbox().snapshot().waiting).toEqual([]);
  });

  it("hands a refusal to the form that is still open", async () => {
    const { outbox } = box({ kind: "refused", problems: [PROBLEM] });
    expect(await outbox.submit(write("a"))).toEqual({ kind: "refused", problems: [PROBLEM] });
    expect(outbox.snapshot()).toMatchObject({ waiting: [], refused: [] });
  });

  it("keeps what could not be sent, also for the next visit, and sends it in order", async () => {
    const { outbox, sent } = box({ kind: "away" }, { kind: "away" });
    expect(await outbox.submit(write("a"))).toEqual({ kind: "waiting" });
    expect(await outbox.submit(write("b"))).toEqual({ kind: "waiting" });
    expect(new Outbox().snapshot().waiting.map((one) => one.key)).toEqual(["a", "b"]);
    await vi.runAllTimersAsync();
    expect(sent).toEqual(["a", "a", "a", "b"]);
    expect(outbox.snapshot().waiting).toEqual([]);
  });

  it("waits longer each time, but tries at once when asked", async () => {
    const { outbox, sent } = box({ kind: "away" }, { kind: "away" }, { kind: "away" });
    await outbox.submit(write("a"));
    await vi.advanceTimersByTimeAsync(1_000);
    expect(sent).toHaveLength(2);
    await vi.advanceTimersByTimeAsync(1_000);
    expect(sent).toHaveLength(2);
    outbox.retry();
    await vi.advanceTimersByTimeAsync(0);
    expect(sent).toHaveLength(3);
  });

  it("puts what is refused later back where it was typed", async () => {
    const { outbox } = box({ kind: "away" }, { kind: "refused", problems: [PROBLEM] });
    await outbox.submit(write("a"));
    await vi.runAllTimersAsync();
    expect(outbox.snapshot().refused.map((one) => one.write.key)).toEqual(["a"]);
    expect(readStored("draft.look.1")).toEqual({ level: "9" });
    outbox.dismiss("a");
    expect(new Outbox().snapshot().refused).toEqual([]);
  });

  it("never sends one account's writes as another", async () => {
    const { outbox, sent } = box();
    void outbox.submit(write("hers", "Noor"));
    await vi.runAllTimersAsync();
    expect(sent).toEqual([]);
    outbox.signedInAs("Noor");
    await vi.runAllTimersAsync();
    expect(sent).toEqual(["hers"]);
  });

  it("stops and says so when nobody is signed in any more", async () => {
    const { outbox } = box({ kind: "signed-out" });
    expect(await outbox.submit(write("a"))).toEqual({ kind: "waiting" });
    expect(outbox.snapshot()).toMatchObject({ signedOut: true, waiting: [{ key: "a" }] });
  });

  it("does not write over what another open page keeps", async () => {
    const here = box({ kind: "away" }).outbox;
    const there = box({ kind: "away" }).outbox;
    await here.submit(write("here"));
    await there.submit(write("there"));
    expect(new Outbox().snapshot().waiting.map((one) => one.key)).toEqual(["here", "there"]);
  });

  it("sends the same write once when it is put down twice", async () => {
    const { outbox, sent } = box({ kind: "away" });
    await outbox.submit(write("a"));
    void outbox.submit(write("a"));
    await vi.runAllTimersAsync();
    expect(sent.filter((key) => key === "a")).toHaveLength(2);
    expect(outbox.snapshot().waiting).toEqual([]);
  });
});
