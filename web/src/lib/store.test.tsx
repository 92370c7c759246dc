// @vitest-environment jsdom
import { act } from "react";
import { createRoot, type Root } from "react-dom/client";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { readAllStored, readStored, useDraft, useStored, writeStored } from "./store";

let root: Root;
let box: HTMLElement;

beforeEach(() => {
  vi.stubGlobal("IS_REACT_ACT_ENVIRONMENT", true);
  localStorage.clear();
  box = document.createElement("div");
  root = createRoot(box);
});

afterEach(() => {
  act(() => root.unmount());
  vi.unstubAllGlobals();
});

function Switch({ name }: { readonly name: string }) {
  const [on, setOn] = useStored<boolean>("switch", false);
  return (
    <button type="button" name={name} onClick={() => setOn(!on)}>
      {on ? "on" : "off"}
    </button>
  );
}

function Form() {
  const [text, setText, clear] = useDraft<string>("form", () => "new");
  return (
    <>
      <button type="button" name="type" onClick={() => setText("typed")}>
        {text}
      </button>
      <button type="button" name="clear" onClick={clear} />
    </>
  );
}

const press = (name: string) => act(() => box.querySelector<HTMLElement>(`[name=${name}]`)?.click());

describe("what is kept on this device", () => {
  it("changes wherever it is shown, and is there the next time", () => {
    act(() =>
      root.render(
        <>
          <Switch name="one" />
          <Switch name="other" />
        </>,
      ),
    );
    expect(box.textContent).toBe("offoff");
    press("one");
    expect(box.textContent).toBe("onon");
    expect(readStored("switch")).toBe(true);
  });

  it("follows another page of the same browser", () => {
    act(() => root.render(<Switch name="one" />));
    act(() => {
      writeStored("switch", true);
      globalThis.dispatchEvent(new Event("storage"));
    });
    expect(box.textContent).toBe("on");
  });

  it("keeps a draft over a reload until it is cleared", () => {
    act(() => root.render(<Form />));
    press("type");
    act(() => root.unmount());
    root = createRoot(box);
    act(() => root.render(<Form />));
    expect(box.textContent).toBe("typed");
    press("clear");
    expect(readStored("draft.form")).toBeNull();
  });

  it("goes on where the browser forbids storing, for this visit", () => {
    const forbidden = () => {
      throw new DOMException("denied", "SecurityError");
    };
    vi.spyOn(Storage.prototype, "setItem").mockImplementation(forbidden);
    vi.spyOn(Storage.prototype, "getItem").mockImplementation(forbidden);
    writeStored("kept", { level: 1.5 });
    expect(readStored("kept")).toEqual({ level: 1.5 });
    vi.restoreAllMocks();
  });

  it("reads nothing from what is broken, and all of what begins alike", () => {
    localStorage.setItem("despertar.broken", "{");
    expect(readStored("broken")).toBeNull();
    writeStored("outbox.a", 1);
    writeStored("outbox.b", 2);
    expect(readAllStored<number>("outbox.").sort()).toEqual([1, 2]);
  });
});
