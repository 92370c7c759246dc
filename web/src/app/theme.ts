import { useState } from "react";
import { readStored, writeStored } from "../lib/store";

export type Theme = "day" | "night";

function preferred(): Theme {
  const stored = readStored<Theme>("theme");
  if (stored) return stored;
  return matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day";
}

/** Set before the first paint, so that a late baker is not dazzled. */
export function applyTheme(theme: Theme = preferred()): void {
  document.documentElement.dataset.theme = theme;
}

export function useTheme(): [Theme, () => void] {
  const [theme, setTheme] = useState(preferred);
  const turn = () => {
    const next = theme === "day" ? "night" : "day";
    setTheme(next);
    writeStored("theme", next);
    applyTheme(next);
  };
  return [theme, turn];
}
