/** A jar's lines and walls on a picture, dragged where they belong; by the arrow keys too. */
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import type { JarLines } from "../../api/types";
import { watchText } from "../../words";
import { ACROSS, DOWN, type Handle, moved } from "./lines";

const NAMES: Record<Handle, string> = {
  rim: watchText.RIM,
  level: watchText.LEVEL,
  line: watchText.LINE,
  bottom: watchText.BOTTOM,
  left: watchText.LEFT,
  right: watchText.RIGHT,
};
const STEP = 0.004;
const STEPS: Record<string, number> = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 };
/** The level is the one that moves: it is told apart from what stands. */
const COLOURS: Partial<Record<Handle, string>> = { level: "bg-leaf", line: "bg-crust" };
/** Grips of neighbours on either side, so that level and line can lie on each other. */
const AT_THE_START: ReadonlySet<Handle> = new Set(["level", "bottom"]);

export function LinesOn({
  src,
  lines,
  onChange,
}: {
  readonly src: string;
  readonly lines: JarLines;
  readonly onChange: (next: JarLines) => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const grip = (handle: Handle) => {
    const across = ACROSS.includes(handle);
    const percent = Math.round(lines[handle] * 100);
    return {
      type: "button" as const,
      role: "slider",
      "aria-label": NAMES[handle],
      "aria-orientation": across ? ("vertical" as const) : ("horizontal" as const),
      "aria-valuemin": 0,
      "aria-valuemax": 100,
      "aria-valuenow": percent,
      "aria-valuetext": across ? watchText.percentFromTop(percent) : watchText.percentFromLeft(percent),
      onPointerDown: (event: PointerEvent<HTMLButtonElement>) =>
        event.currentTarget.setPointerCapture(event.pointerId),
      onPointerMove: (event: PointerEvent<HTMLButtonElement>) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId) || !frame.current) return;
        const box = frame.current.getBoundingClientRect();
        const to = across ? (event.clientY - box.top) / box.height : (event.clientX - box.left) / box.width;
        onChange(moved(lines, handle, to));
      },
      onKeyDown: (event: KeyboardEvent<HTMLButtonElement>) => {
        const step = STEPS[event.key];
        if (!step) return;
        event.preventDefault();
        onChange(moved(lines, handle, lines[handle] + step * STEP * (event.shiftKey ? 5 : 1)));
      },
    };
  };
  // Each is held on its grip's side, so that two that lie on each other can both be held.
  const half = (handle: Handle) => ({
    left: `${(AT_THE_START.has(handle) ? lines.left : (lines.left + lines.right) / 2) * 100}%`,
    width: `${(lines.right - lines.left) * 50}%`,
    top: `${lines[handle] * 100}%`,
  });
  return (
    <div ref={frame} dir="ltr" className="relative inline-block max-w-full touch-none select-none self-start">
      <img
        src={src}
        alt={watchText.picture}
        draggable={false}
        className="block max-h-[62vh] max-w-full rounded-lg"
      />
      {DOWN.map((handle) => (
        <button
          key={handle}
          {...grip(handle)}
          style={{
            left: `${lines[handle] * 100}%`,
            top: `${lines.rim * 100}%`,
            height: `${(lines.bottom - lines.rim) * 100}%`,
          }}
          className="absolute flex w-11 -translate-x-1/2 cursor-ew-resize items-start justify-center"
        >
          <span className="absolute inset-y-0 w-[3px] bg-ink outline outline-1 outline-card" />
          <span className="relative top-[18%] flex size-7 items-center justify-center rounded-full border-2 border-ink bg-card text-sm font-bold text-ink shadow-md">
            ↔
          </span>
        </button>
      ))}
      {ACROSS.map((handle) => (
        <button
          key={handle}
          {...grip(handle)}
          style={half(handle)}
          className="absolute flex h-11 -translate-y-1/2 cursor-ns-resize items-center"
        >
          <span
            className={`pointer-events-none absolute h-[3px] w-[200%] outline outline-1 outline-card ${AT_THE_START.has(handle) ? "left-0" : "right-0"} ${COLOURS[handle] ?? "bg-ink"}`}
          />
          <span
            className={`absolute z-10 rounded-full border-2 border-card px-2 py-0.5 text-sm font-semibold text-card shadow-md ${COLOURS[handle] ?? "bg-ink"} ${AT_THE_START.has(handle) ? "left-1" : "right-1"}`}
          >
            {NAMES[handle]}
          </span>
        </button>
      ))}
    </div>
  );
}
