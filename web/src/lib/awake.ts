/** Keeps the screen on while a page with floury hands before it is open, where the browser can. */
import { useEffect } from "react";

export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const ask = async () => {
      try {
        if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
        const got = await navigator.wakeLock.request("screen");
        if (over) await got.release();
        else lock = got;
      } catch {
        // Low battery, or forbidden: the screen goes dark as ever.
      }
    };
    const again = () => void ask();
    again();
    document.addEventListener("visibilitychange", again);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", again);
      void lock?.release();
    };
  }, []);
}
