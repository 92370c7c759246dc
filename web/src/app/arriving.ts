import { useEffect, useRef } from "react";
import { useLocation } from "react-router";

/** Loading what a page needs may take its time; longer than this nobody waits for its heading. */
const PATIENCE_MS = 8000;

/**
 * After going to another page, who listens is at its heading: once it is there, it gets the focus, unless the page has
 * put the focus elsewhere itself. What the address names inside the page is unfolded and shown.
 */
export function useArriving(): void {
  const { pathname, hash } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    const elsewhere = before.current !== pathname;
    before.current = pathname;
    if (!elsewhere && !hash) return;
    return once(() => (elsewhere ? atHeading() : true) && (hash ? unfolded(hash.slice(1)) : true));
  }, [pathname, hash]);
}

function atHeading(): boolean {
  const main = document.getElementById("main");
  const heading = main?.querySelector<HTMLElement>("h1");
  if (!main || !heading) return false;
  if (main.contains(document.activeElement)) return true;
  heading.tabIndex = -1;
  heading.style.outline = "none";
  heading.focus({ preventScroll: true });
  scrollTo(0, 0);
  return true;
}

function unfolded(id: string): boolean {
  const part = document.getElementById(id);
  if (!part) return false;
  for (let at = part.closest("details"); at; at = at.parentElement?.closest("details") ?? null)
    at.open = true;
  part.scrollIntoView();
  return true;
}

/** Does it as soon as the page lets it. */
function once(act: () => boolean): () => void {
  if (act()) return () => {};
  const watch = new MutationObserver(() => act() && watch.disconnect());
  watch.observe(document.body, { childList: true, subtree: true });
  const end = setTimeout(() => watch.disconnect(), PATIENCE_MS);
  return () => {
    watch.disconnect();
    clearTimeout(end);
  };
}
