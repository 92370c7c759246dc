/** The worker that keeps the pages on the device for when the network is gone. */

export function keepForOffline(): void {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  // Without it all works as long as the network does.
  addEventListener("load", () => void navigator.serviceWorker.register("/sw.js").catch(() => undefined));
}

/** What was seen of a kitchen does not stay for whoever signs in next. */
export async function forgetKitchen(): Promise<void> {
  if ("caches" in globalThis) await caches.delete("kitchen");
}
