/** The kitchen scale: readings from a bridge on this machine (see docs/devices.md), as they come. */
import { useEffect, useState } from "react";

/** `grams` is what lies on it, zeroed or not: what was zeroed away is added again. */
export type ScaleState =
  | { readonly is: "away" }
  | { readonly is: "there"; readonly grams: number; readonly stable: boolean };

type Sent = { readonly grams: number; readonly zeroed_g: number; readonly stable: boolean };

const AWAY: ScaleState = { is: "away" };
const RETRY_MS = 2_000;

function isSent(value: unknown): value is Sent {
  if (typeof value !== "object" || value === null) return false;
  const { grams, zeroed_g: zeroed, stable } = value as Record<string, unknown>;
  return Number.isFinite(grams) && Number.isFinite(zeroed) && typeof stable === "boolean";
}

/** Listens while `on`. A bridge that goes away is looked for again; until then typing takes over. */
export function useScale(address: string | null, on: boolean): ScaleState {
  const [state, setState] = useState<ScaleState>(AWAY);
  useEffect(() => {
    if (!on || !address) {
      setState(AWAY);
      return;
    }
    let source: EventSource | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const listen = () => {
      source = new EventSource(`${address}/live`);
      source.onmessage = ({ data }) => {
        let value: unknown;
        try {
          value = JSON.parse(String(data));
        } catch {
          return;
        }
        if (isSent(value))
          setState({ is: "there", grams: value.grams + value.zeroed_g, stable: value.stable });
      };
      source.addEventListener("unplugged", () => setState(AWAY));
      source.onerror = () => {
        setState(AWAY);
        source?.close();
        timer = setTimeout(listen, RETRY_MS);
      };
    };
    listen();
    return () => {
      clearTimeout(timer);
      source?.close();
    };
  }, [address, on]);
  return state;
}
