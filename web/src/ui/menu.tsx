import { lazy, Suspense, useEffect, useState } from "react";
import type { MenuProps } from "./menu-list";

// What a menu opens with is no part of the first page; it is fetched right after it, so that it is there offline too.
const fetchList = () => import("./menu-list");
const MenuList = lazy(fetchList);

const TRIGGER =
  "flex min-h-11 items-center min-w-11 justify-center gap-2 rounded-lg px-2 font-semibold sm:px-3 hover:text-crust";

export function Menu(props: MenuProps) {
  const [opened, setOpened] = useState(false);
  useEffect(() => void fetchList(), []);
  const closed = (
    <button
      type="button"
      aria-label={props.label}
      aria-haspopup="menu"
      aria-expanded={false}
      className={TRIGGER}
      onClick={() => setOpened(true)}
      onKeyDown={(event) => event.key === "ArrowDown" && setOpened(true)}
    >
      {props.trigger}
    </button>
  );
  if (!opened) return closed;
  return (
    <Suspense fallback={closed}>
      <MenuList {...props} className={TRIGGER} />
    </Suspense>
  );
}
