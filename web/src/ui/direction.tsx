import { Direction } from "radix-ui";
import type { ReactNode } from "react";

/** Controls go the way in which the page is read. */
export function AsRead({ children }: { readonly children: ReactNode }) {
  return <Direction.Provider dir={document.dir === "rtl" ? "rtl" : "ltr"}>{children}</Direction.Provider>;
}
