// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { CoreQuestion } from "./core.worker";
import type { PracticeIn } from "./types";

vi.mock("./core.worker?worker&url", () => ({ default: "/worker.js" }));

const PARTS = {
  contract: "shapes-1",
  runtime: "/python/runtime-1/",
  core: "/python/ferment-1.zip",
  files: [
    { path: "/python/runtime-1/pyodide.mjs", bytes: 4 },
    { path: "/python/ferment-1.zip", bytes: 4 },
  ],
  fetched_bytes: 9_000_000,
};
const ASKED: { body: PracticeIn } = { body: { situation: "hush", seed: 5, acts: [] } };

/** What the device keeps, by path. */
let kept: Map<string, Response>;
let asks: string[];
let isGone: boolean;
/** What there is at the kitchen, and which of it breaks off. */
let parts: typeof PARTS;
let breaks: string;
let workers: FakeWorker[];

const path = (of: RequestInfo | URL) =>
  new URL(of instanceof Request ? of.url : of, "http://kitchen/").pathname;

const cache = {
  keys: async () => [...kept.keys()].map((one) => new Request(`http://kitchen${one}`)),
  match: async (one: string) => kept.get(one)?.clone(),
  put: async (one: string, answer: Response) => {
    kept.set(one, new Response(await answer.arrayBuffer(), { headers: answer.headers }));
  },
  delete: async (one: string) => kept.delete(one),
};

const scripts = { match: async () => undefined, add: fetched };

class FakeWorker extends EventTarget {
  readonly questions: CoreQuestion[] = [];
  isEnded = false;
  constructor() {
    super();
    workers.push(this);
  }
  postMessage(question: CoreQuestion): void {
    this.questions.push(question);
    const answer = JSON.stringify({ status: 200, body: { ended_h: 7 } });
    queueMicrotask(() =>
      this.dispatchEvent(new MessageEvent("message", { data: { id: question.id, answer } })),
    );
  }
  terminate(): void {
    this.isEnded = true;
  }
}

async function fetched(of: RequestInfo | URL): Promise<Response> {
  asks.push(path(of));
  if (isGone) throw new TypeError("Failed to fetch");
  if (path(of) === "/python/here.json") return Response.json(parts);
  if (path(of) === breaks) throw new TypeError("Failed to fetch");
  if (path(of).startsWith("/python/")) return new Response("part");
  return Response.json({ ended_h: 3 });
}

/** Both take the browser's own when they are made, so each test makes them anew. */
async function page() {
  vi.resetModules();
  const core = await import("./core");
  const { http } = await import("./client");
  return { ...core, http };
}

beforeEach(() => {
  kept = new Map();
  asks = [];
  isGone = false;
  parts = PARTS;
  breaks = "";
  workers = [];
  vi.stubEnv("PROD", true);
  vi.stubEnv("VITE_CONTRACT", PARTS.contract);
  vi.stubGlobal("fetch", fetched);
  vi.stubGlobal("caches", { open: async (name: string) => (name === "python" ? cache : scripts) });
  vi.stubGlobal("Worker", FakeWorker);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.unstubAllEnvs();
});

describe("what this device answers itself", () => {
  it("asks the kitchen first, and itself only where nobody answers", async () => {
    const { keepCore, http } = await page();
    await keepCore(false);
    expect((await http.POST("/api/practice/lived", ASKED)).data).toEqual({ ended_h: 3 });
    expect(workers).toEqual([]);
    isGone = true;
    expect((await http.POST("/api/practice/lived", ASKED)).data).toEqual({ ended_h: 7 });
    expect(workers[0]?.questions[0]).toMatchObject({ what: "lived", asked: JSON.stringify(ASKED.body) });
  });

  it("answers nothing of which it has no parts, and nothing else than practice", async () => {
    const { keepCore, http } = await page();
    isGone = true;
    await keepCore(false);
    expect((await http.POST("/api/practice/lived", ASKED)).response.status).toBe(503);
    isGone = false;
    await keepCore(false);
    isGone = true;
    expect((await http.POST("/api/calendar")).response.status).toBe(503);
    expect(workers).toEqual([]);
  });

  it("fetches its parts once, and lets go of those of an older kitchen", async () => {
    kept.set("/python/ferment-0.zip", new Response("old"));
    const { keepCore } = await page();
    await keepCore(false);
    expect([...kept.keys()].sort()).toEqual([
      "/python/ferment-1.zip",
      "/python/here.json",
      "/python/runtime-1/pyodide.mjs",
    ]);
    asks = [];
    await keepCore(false);
    expect(asks).toEqual(["/python/here.json", "/worker.js"]);
  });

  it("stands by what it has until a newer one is whole", async () => {
    const { keepCore, http } = await page();
    await keepCore(false);
    asks = [];
    breaks = "/python/ferment-2.zip";
    parts = { ...PARTS, core: breaks, files: [...PARTS.files.slice(0, 1), { path: breaks, bytes: 4 }] };
    await keepCore(false);
    expect(asks).toContain(breaks);
    isGone = true;
    await http.POST("/api/practice/lived", ASKED);
    expect(workers[0]?.questions[0]?.made.core).toBe(PARTS.core);
  });

  it("takes no answers of a core that answers in other shapes than this page knows", async () => {
    await (await page()).keepCore(false);
    // The page is of a newer kitchen, and the network went before its core came.
    vi.stubEnv("VITE_CONTRACT", "shapes-2");
    isGone = true;
    const newer = await page();
    expect((await newer.http.POST("/api/practice/lived", ASKED)).response.status).toBe(503);
    expect(workers).toEqual([]);
    isGone = false;
    parts = { ...PARTS, contract: "shapes-2" };
    await newer.keepCore(false);
    isGone = true;
    expect((await newer.http.POST("/api/practice/lived", ASKED)).data).toEqual({ ended_h: 7 });
  });

  it("stands by what it has where the kitchen is newer than the page", async () => {
    const { keepCore, http } = await page();
    await keepCore(false);
    parts = { ...PARTS, contract: "shapes-2", core: "/python/ferment-2.zip" };
    await keepCore(false);
    isGone = true;
    expect((await http.POST("/api/practice/lived", ASKED)).data).toEqual({ ended_h: 7 });
    expect(workers[0]?.questions[0]?.made.core).toBe(PARTS.core);
  });

  it("answers at once after the page was opened anew, before it has looked what there is", async () => {
    await (await page()).keepCore(false);
    isGone = true;
    const { http } = await page();
    expect((await http.POST("/api/practice/told", ASKED)).data).toEqual({ ended_h: 7 });
  });

  it("asks before it fetches over a line that is paid for", async () => {
    vi.stubGlobal("navigator", { connection: { saveData: true } });
    const { keepCore } = await page();
    await keepCore(false);
    expect(asks).toEqual(["/python/here.json"]);
    await keepCore(true);
    expect(kept.has(PARTS.core)).toBe(true);
  });

  it("begins anew what broke", async () => {
    const { keepCore, http } = await page();
    await keepCore(false);
    isGone = true;
    FakeWorker.prototype.postMessage = function (this: FakeWorker) {
      queueMicrotask(() => this.dispatchEvent(new ErrorEvent("error", { message: "out of memory" })));
    };
    expect((await http.POST("/api/practice/lived", ASKED)).response.status).toBe(503);
    expect((await http.POST("/api/practice/lived", ASKED)).response.status).toBe(503);
    expect(workers.map((one) => one.isEnded)).toEqual([true, true]);
  });
});
