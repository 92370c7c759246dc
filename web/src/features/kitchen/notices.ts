/** A notice of the browser when an act comes due while the kitchen is open: once an act on this device. */
import { useEffect } from "react";
import type { Kitchen } from "../../api/types";
import { readStored, writeStored } from "../../lib/store";
import { shortMove } from "../../words/moves";

const TOLD = "notices.told";
const KEPT = 60;

export function useNotices(kitchen: Kitchen | undefined): void {
  useEffect(() => {
    if (!kitchen || !readStored<boolean>("notices.on")) return;
    if (!("Notification" in globalThis) || Notification.permission !== "granted") return;
    const told = readStored<string[]>(TOLD) ?? [];
    for (const { jar, next_move: next } of kitchen.jars) {
      const due = next.state === "due" || next.state === "late";
      const key = `${jar.id}.${next.move}.${next.due}`;
      if (!jar.on_shelf || !due || told.includes(key)) continue;
      told.push(key);
      new Notification(jar.name, { body: shortMove(next, kitchen.now, kitchen.time_zone), tag: jar.id });
    }
    writeStored(TOLD, told.slice(-KEPT));
  }, [kitchen]);
}
