/** The worker that keeps the pages on the device for when the network is gone, and what a newer version means for it. */
import { useSyncExternalStore } from "react";
import { LANGUAGE } from "../lib/locale";

let newer = false;
const listeners = new Set<() => void>();

function tellNewer(): void {
  newer = true;
  for (const listener of listeners) listener();
}

/** Whether the kitchen is served by a newer version than this page is of: its other pages may be gone. */
export function useNewer(): boolean {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => newer,
  );
}

export function keepForOffline(): void {
  // A page of this version that is fetched no more: a newer one has taken its place.
  addEventListener("vite:preloadError", tellNewer);
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  const { serviceWorker } = navigator;
  if (serviceWorker.controller) serviceWorker.addEventListener("controllerchange", tellNewer);
  // Without it all works as long as the network does.
  addEventListener("load", () => {
    serviceWorker.register("/sw.js").catch(() => undefined);
    void serviceWorker.ready
      .then(keepScripts)
      .then(renewCore)
      .catch(() => undefined);
  });
}

/** Every page of this language opens without a network, visited before or not; scripts of another or an older go. */
async function keepScripts(): Promise<void> {
  const answer = await fetch(`/assets/${LANGUAGE}/scripts.json`, { cache: "no-cache" });
  const wanted = new Set((await answer.json()) as string[]);
  const kept = await caches.open("scripts");
  const there = new Map((await kept.keys()).map((request) => [new URL(request.url).pathname, request]));
  // One by one, beside what the baker does: a phone's line is thin, and what is kept by then stays kept.
  for (const path of wanted) if (!there.has(path)) await kept.add(path);
  for (const [path, request] of there) if (!wanted.has(path)) await kept.delete(request);
}

/** A device that practises without a network goes on doing so after a newer version came. */
async function renewCore(): Promise<void> {
  if (!(await caches.has("python"))) return;
  const { keepCore } = await import("../api/core");
  await keepCore(false);
}

/** What was seen of a kitchen does not stay for whoever signs in next. */
export async function forgetKitchen(): Promise<void> {
  if ("caches" in globalThis) await caches.delete("kitchen");
}
