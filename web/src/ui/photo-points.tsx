import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { uiText } from "../words";

export type PhotoPoint = { readonly x: number; readonly y: number };
type Handle = "bottom" | "mark" | "level";
export type PhotoPoints = Record<Handle, PhotoPoint>;

const LABELS: Record<Handle, string> = {
  bottom: uiText.bottomOfTheJarInside,
  mark: uiText.theMark,
  level: uiText.theLevelNow,
};
const STYLES: Record<Handle, string> = {
  bottom: "border-ink bg-card text-ink",
  mark: "border-on-crust bg-crust text-on-crust",
  level: "border-ink bg-paper text-ink",
};
const SIGNS: Record<Handle, string> = { bottom: "0", mark: "1", level: "×" };
const named = (handle: Handle) => `${LABELS[handle]}, ${SIGNS[handle]}`;
const STEPS: Record<string, readonly [number, number]> = {
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
};
const KEY_STEP = 0.004;

function clamp(value: number): number {
  return Math.min(1, Math.max(0, value));
}

/** Three lines dragged over a photo: bottom, mark, level; by the arrow keys too. */
export function PhotoPointsControl({
  src,
  alt,
  points,
  onChange,
  onAspect,
}: {
  readonly src: string;
  readonly alt: string;
  readonly points: PhotoPoints;
  readonly onChange: (next: PhotoPoints) => void;
  /** Width over height, once the picture is there. */
  readonly onAspect: (aspect: number) => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const drag = (handle: Handle) => (event: PointerEvent<HTMLButtonElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId) || !frame.current) return;
    const box = frame.current.getBoundingClientRect();
    const x = clamp((event.clientX - box.left) / box.width);
    const y = clamp((event.clientY - box.top) / box.height);
    onChange({ ...points, [handle]: { x, y } });
  };
  const nudge = (handle: Handle) => (event: KeyboardEvent<HTMLButtonElement>) => {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const far = event.shiftKey ? 5 : 1;
    const { x, y } = points[handle];
    onChange({
      ...points,
      [handle]: { x: clamp(x + step[0] * KEY_STEP * far), y: clamp(y + step[1] * KEY_STEP * far) },
    });
  };
  return (
    <div ref={frame} className="relative inline-block max-w-full touch-none select-none">
      <img
        src={src}
        alt={alt}
        draggable={false}
        onLoad={({ currentTarget: image }) => onAspect(image.naturalWidth / image.naturalHeight)}
        className="block max-h-[60vh] max-w-full rounded-lg"
      />
      {(Object.keys(LABELS) as Handle[]).map((handle) => {
        const { x, y } = points[handle];
        return (
          <button
            key={handle}
            type="button"
            aria-label={uiText.fromTheLeftFromThe(named(handle), Math.round(x * 100), Math.round(y * 100))}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={drag(handle)}
            onKeyDown={nudge(handle)}
            style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
            className="absolute flex h-11 w-40 -translate-x-1/2 -translate-y-1/2 cursor-move items-center justify-end"
          >
            <span className="absolute inset-x-0 h-[3px] bg-crust outline outline-1 outline-card" />
            <span
              className={`relative flex size-9 items-center justify-center rounded-full border-2 font-bold shadow-md ${STYLES[handle]}`}
            >
              {SIGNS[handle]}
            </span>
          </button>
        );
      })}
    </div>
  );
}
