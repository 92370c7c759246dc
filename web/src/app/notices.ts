/** A notice of the browser for each reminder that goes out while the application is open: once an act on this device. */
import { useEffect } from "react";
import { api } from "../api/client";
import { readStored, useStored, writeStored } from "../lib/store";
import { type Letter, letterName, reminderLine } from "../words";

const TOLD = "notices.told";
const KEPT = 60;
/** What went out longer ago was told elsewhere, or is no news any more. */
const FRESH_MS = 3_600_000;

function keyOf(one: Letter): string {
  if (one.about === "discard") return one.shelf;
  return one.about === "jar" ? one.jar_id : `${one.jar_id}.${one.what}`;
}

async function show(one: Letter): Promise<void> {
  const name = letterName(one);
  const said = { body: reminderLine(one), tag: name };
  try {
    const notice = new Notification(name, said);
    notice.onclick = () => {
      globalThis.focus();
      location.assign(one.about === "discard" ? "/discard" : `/?jar=${one.jar_id}`);
    };
  } catch {
    // Browsers of phones show notices only through the page's worker.
    const worker = await navigator.serviceWorker?.getRegistration();
    await worker?.showNotification(name, said);
  }
}

/** Reminders come when the postbox's do: in the baker's hours, one an act, none for what is done. */
export function useNotices(isIn: boolean): void {
  const [on] = useStored<boolean>("notices.on", false);
  const box = api.useQuery("get", "/api/postbox", {}, { enabled: isIn && on, refetchInterval: 60_000 });
  const sent = on ? box.data?.sent : undefined;
  useEffect(() => {
    if (!sent || !("Notification" in globalThis) || Notification.permission !== "granted") return;
    const told = readStored<string[]>(TOLD) ?? [];
    for (const one of sent) {
      const key = `${keyOf(one)}.${one.due}`;
      if (told.includes(key) || Date.now() - Date.parse(one.sent_at) > FRESH_MS) continue;
      told.push(key);
      void show(one);
    }
    writeStored(TOLD, told.slice(-KEPT));
  }, [sent]);
}
