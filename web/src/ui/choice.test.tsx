// @vitest-environment jsdom
import { act } from "react";
import { createRoot } from "react-dom/client";
import { expect, test, vi } from "vitest";
import { Choice } from "./choice";

const ITEMS = [
  { value: "rye", label: "Rye" },
  { value: "wheat", label: "Wheat" },
];

Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });

/** What is heard when these are pressed where rye is shown. */
function heard(how: { none?: boolean; guessed?: boolean }, ...pressed: readonly string[]): (string | null)[] {
  const onChange = vi.fn<(next: string | null) => void>();
  const place = document.body.appendChild(document.createElement("div"));
  const root = createRoot(place);
  act(() => root.render(<Choice label="Flour" items={ITEMS} value="rye" onChange={onChange} {...how} />));
  for (const name of pressed) {
    const found = [...place.querySelectorAll("button")].find((one) => one.textContent === name);
    act(() => found?.click());
  }
  act(() => root.unmount());
  return onChange.mock.calls.map(([next]) => next);
}

test("another one is chosen", () => {
  expect(heard({}, "Wheat")).toEqual(["wheat"]);
});

test("the chosen one stays, pressed again", () => {
  expect(heard({}, "Rye")).toEqual([]);
});

test("the chosen one is taken back where there may be none", () => {
  expect(heard({ none: true }, "Rye")).toEqual([null]);
});

test("the one that was guessed becomes the baker's own", () => {
  expect(heard({ guessed: true }, "Rye")).toEqual(["rye"]);
});
