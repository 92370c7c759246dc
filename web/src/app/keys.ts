/** Keys for who sits at a laptop: each presses what is on the page for it, and does nothing where there is none. */
import { useEffect } from "react";
import { useStored } from "../lib/store";
import type { KeyAct } from "../words";

/** A letter and what it presses; of several the first that is seen. */
export const KEYS: readonly { readonly key: string; readonly act: KeyAct; readonly presses: string }[] = [
  { key: "l", act: "look", presses: 'main a[href$="/look"]' },
  { key: "f", act: "feed", presses: 'main a[href$="/feed"]' },
  { key: "j", act: "next_jar", presses: '[role="tab"][aria-selected="true"] ~ [role="tab"], [role="tab"]' },
  { key: "q", act: "quick", presses: "main [data-quick]" },
  { key: "p", act: "plan", presses: 'main a[href$="/plan"]' },
  { key: "u", act: "undo", presses: "main [data-undoes]" },
  { key: "k", act: "kitchen", presses: 'nav a[href="/"]' },
  { key: "n", act: "new_jar", presses: 'nav a[href="/new"]' },
  { key: "s", act: "signs", presses: 'nav a[href="/signs"]' },
];

/** Where letters belong to what is open or typed in. */
const TYPED = 'input, textarea, select, [contenteditable=""], [contenteditable="true"]';
const OPEN = '[role="dialog"], [role="alertdialog"], [role="menu"]';

function pressed(presses: string): HTMLElement | null {
  // In the order in which they are named, not that of the page.
  for (const one of presses.split(", ")) {
    const found = [...document.querySelectorAll<HTMLElement>(one)].find((element) =>
      element.checkVisibility(),
    );
    if (found) return found;
  }
  return null;
}

/** Whether keys are listened to on this device. */
export function useKeysOn() {
  return useStored<boolean>("keys.on", true);
}

/** Listens while a baker is in; the list of keys is on one of them. */
export function useKeys(onList: () => void): void {
  const [on] = useKeysOn();
  useEffect(() => {
    if (!on) return;
    const listen = (event: KeyboardEvent) => {
      const { target, key } = event;
      if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || event.defaultPrevented)
        return;
      if (target instanceof Element && target.closest(TYPED)) return;
      if (document.querySelector(OPEN)) return;
      if (key === "?") {
        event.preventDefault();
        onList();
        return;
      }
      const found = KEYS.find((one) => one.key === key.toLowerCase());
      const element = found && pressed(found.presses);
      if (!element) return;
      event.preventDefault();
      // A tab is chosen by being stepped on.
      element.focus();
      element.click();
    };
    addEventListener("keydown", listen);
    return () => removeEventListener("keydown", listen);
  }, [on, onList]);
}
