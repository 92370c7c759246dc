import { type RefCallback, useCallback, useEffect, useRef, useState } from "react";
import { nowMs } from "./clock";

/** The width of an element in px, 0 until it is known; of one that comes later too, as when a page was loading. */
export function useWidth<T extends HTMLElement>(): [RefCallback<T>, number] {
  const observer = useRef<ResizeObserver | null>(null);
  const [width, setWidth] = useState(0);
  const ref = useCallback((element: T | null) => {
    observer.current?.disconnect();
    if (!element) return;
    observer.current = new ResizeObserver(([entry]) => setWidth(Math.round(entry?.contentRect.width ?? 0)));
    observer.current.observe(element);
  }, []);
  return [ref, width];
}

/** A value that follows another once it has rested for `ms`. */
export function useRested<T>(value: T, ms: number): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return rested;
}

/** The time now, told again every half minute. */
export function useNow(): number {
  const [now, setNow] = useState(() => nowMs());
  useEffect(() => {
    const timer = setInterval(() => setNow(nowMs()), 30_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** Sets the page's title while the place is shown. */
export function useTitle(title: string): void {
  useEffect(() => {
    document.title = `${title} · Despertar`;
  }, [title]);
}
