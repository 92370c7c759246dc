import { type RefObject, useEffect, useRef, useState } from "react";
import { nowMs } from "./clock";

/** The width of an element in px, 0 until it is known. */
export function useWidth<T extends HTMLElement>(): [RefObject<T | null>, number] {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.round(entry?.contentRect.width ?? 0)));
    observer.observe(element);
    return () => observer.disconnect();
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
