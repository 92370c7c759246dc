/**
 * What this device answers itself where the kitchen is out of reach: practice jars, by the core's own Python.
 *
 * Its parts are kept on the device once a place that asks for them was opened; it is begun only when it is needed.
 */
import type { Middleware } from "openapi-fetch";
import { useEffect, useSyncExternalStore } from "react";
import { http } from "./client";
import type { CoreAnswer, CoreMade, CoreQuestion } from "./core.worker";
import workerAt from "./core.worker?worker&url";

type Parts = CoreMade & {
  /** In which shapes it answers. */
  readonly contract: string;
  readonly files: readonly { readonly path: string; readonly bytes: number }[];
  readonly fetched_bytes: number;
};

/** `offered`: where the line is paid for, the baker says whether; `unknown` also where nothing can be kept at all. */
export type CoreHere =
  | { readonly state: "unknown" | "kept" | "failed" }
  | { readonly state: "offered"; readonly megabytes: number }
  | { readonly state: "fetched"; readonly share: number };

const PARTS = "/python/here.json";
const KEPT = "python";
/** Where the page keeps all its scripts, by and by. */
const SCRIPTS = "scripts";
/** What it is asked, by the address of what the kitchen would be asked. */
const ASKS: ReadonlyMap<string, string> = new Map([
  ["/api/practice/lived", "lived"],
  ["/api/practice/hint", "hint"],
  ["/api/practice/told", "told"],
  ["/api/practice/class.csv", "class.csv"],
]);
const GONE: ReadonlySet<number> = new Set([502, 503, 504]);
/** It takes much room while it runs: so long after the last question it ends. */
const IDLE_MS = 300_000;

// --- what is kept ---

let here: CoreHere = { state: "unknown" };
let working = 0;
let keeping: Promise<void> | null = null;
const listeners = new Set<() => void>();

function tell(next: CoreHere): void {
  here = next;
  for (const listener of listeners) listener();
}

function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How far this device can answer by itself; what is not kept yet is fetched from here on. */
export function useCoreHere(): CoreHere {
  useEffect(() => void keepCore(false), []);
  return useSyncExternalStore(listen, () => here);
}

/** Whether this device is working out an answer by itself just now. */
export function useCoreWorking(): boolean {
  return useSyncExternalStore(listen, () => working > 0);
}

/** Whether every byte is paid for, or might be. */
function isPaidFor(): boolean {
  const line = (navigator as { connection?: { saveData?: boolean; type?: string } }).connection;
  return line?.saveData === true || line?.type === "cellular";
}

/** Keep its parts on this device; where the line is paid for, only when the baker said so. */
export async function keepCore(isWanted: boolean): Promise<void> {
  if (!import.meta.env.PROD || !("caches" in globalThis)) return;
  keeping ??= keep(isWanted).finally(() => {
    keeping = null;
  });
  await keeping;
}

async function keep(isWanted: boolean): Promise<void> {
  const kept = await caches.open(KEPT);
  const before = await keptParts(kept);
  try {
    const parts = (await newestParts()) ?? before;
    if (!parts) throw new Error(PARTS);
    const there = new Set((await kept.keys()).map((request) => new URL(request.url).pathname));
    const missing = parts.files.filter(({ path }) => !there.has(path));
    if (missing.length > 0 && isPaidFor() && !isWanted) {
      // An older one answers too.
      tell(before ? { state: "kept" } : { state: "offered", megabytes: parts.fetched_bytes / 1e6 });
      return;
    }
    const all = missing.reduce((sum, { bytes }) => sum + bytes, 0);
    let got = 0;
    for (const { path } of missing) {
      await keepPart(kept, path, (bytes) => {
        got += bytes;
        tell({ state: "fetched", share: Math.min(got / all, 1) });
      });
    }
    const scripts = await caches.open(SCRIPTS);
    if (!(await scripts.match(workerAt))) await scripts.add(workerAt);
    // Only what is whole is named; until then what was before stands.
    await kept.put(PARTS, Response.json(parts));
    const wanted = new Set([PARTS, ...parts.files.map(({ path }) => path)]);
    for (const path of there) if (!wanted.has(path)) await kept.delete(path);
    tell({ state: "kept" });
  } catch {
    tell({ state: before ? "kept" : "failed" });
  }
}

async function newestParts(): Promise<Parts | null> {
  const told = await fetch(PARTS, { cache: "no-cache" }).catch(() => null);
  return told?.ok ? understood((await told.json()) as Parts) : null;
}

async function keptParts(kept: Cache): Promise<Parts | null> {
  const told = await kept.match(PARTS);
  return told ? understood((await told.json()) as Parts) : null;
}

/** What answers in the shapes that this page knows: one of the two may be of a newer kitchen than the other. */
function understood(parts: Parts): Parts | null {
  return parts.contract === import.meta.env.VITE_CONTRACT ? parts : null;
}

async function keepPart(kept: Cache, path: string, got: (bytes: number) => void): Promise<void> {
  const answer = await fetch(path);
  if (!answer.ok || !answer.body) throw new Error(path);
  const counted = answer.body.pipeThrough(
    new TransformStream<Uint8Array, Uint8Array>({
      transform(part, on) {
        got(part.byteLength);
        on.enqueue(part);
      },
    }),
  );
  // Its body is read already: of what was said of it only its kind still holds.
  const type = answer.headers.get("Content-Type") ?? "application/octet-stream";
  await kept.put(path, new Response(counted, { headers: { "Content-Type": type } }));
}

// --- what is asked ---

type Waiting = { readonly resolve: (answer: string) => void; readonly reject: (why: Error) => void };
const waiting = new Map<string, Waiting>();
let worker: Worker | null = null;
let idle: ReturnType<typeof setTimeout> | undefined;

function end(why: string): void {
  worker?.terminate();
  worker = null;
  for (const { reject } of waiting.values()) reject(new Error(why));
  waiting.clear();
}

function begun(): Worker {
  if (worker) return worker;
  worker = new Worker(workerAt, { type: "module" });
  worker.addEventListener("message", ({ data }: MessageEvent<CoreAnswer>) => {
    const asker = waiting.get(data.id);
    waiting.delete(data.id);
    if ("answer" in data) asker?.resolve(data.answer);
    else {
      // What did not begin may begin the next time.
      asker?.reject(new Error(data.error));
      end(data.error);
    }
  });
  worker.addEventListener("error", ({ message }) => end(message));
  return worker;
}

async function ask(id: string, what: string, asked: string): Promise<Response> {
  const made = await keptParts(await caches.open(KEPT));
  if (!made) throw new Error(PARTS);
  clearTimeout(idle);
  working += 1;
  tell(here);
  try {
    const text = await new Promise<string>((resolve, reject) => {
      waiting.set(id, { resolve, reject });
      begun().postMessage({ id, made, what, asked } satisfies CoreQuestion);
    });
    const { status, body } = JSON.parse(text) as { readonly status: number; readonly body: unknown };
    return typeof body === "string"
      ? new Response(body, { status, headers: { "Content-Type": "text/csv; charset=utf-8" } })
      : Response.json(body, { status });
  } finally {
    working -= 1;
    tell(here);
    if (working === 0) idle = setTimeout(() => end("idle"), IDLE_MS);
  }
}

const asked = new Map<string, string>();

function done(id: string): undefined {
  asked.delete(id);
}

async function instead(id: string, path: string, { aborted }: AbortSignal): Promise<Response | undefined> {
  const body = asked.get(id);
  const what = ASKS.get(path);
  done(id);
  if (body === undefined || what === undefined || aborted) return;
  return ask(id, what, body).catch(() => undefined);
}

/** The kitchen is always asked first, and this device only where nobody answers. */
export const coreHere: Middleware = {
  async onRequest({ request, schemaPath, id }) {
    if (ASKS.has(schemaPath)) asked.set(id, await request.clone().text());
    return request;
  },
  // A proxy that is still there says so when the kitchen behind it is gone.
  onResponse: ({ request, response, schemaPath, id }) =>
    GONE.has(response.status) ? instead(id, schemaPath, request.signal) : done(id),
  onError: ({ request, schemaPath, id }) => instead(id, schemaPath, request.signal),
};
http.use(coreHere);
