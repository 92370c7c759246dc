import { Slider } from "radix-ui";

/**
 * A level dragged up and down over a drawing. `from` and `to` are the levels at the foot and the head of the track; the
 * handle is a line across the drawing with a grip at its side. With a finger it is taken by its grip alone, so that a page
 * can be scrolled over the jar; a mouse may also press where the level is. A smear is dotted, its grip on the other side,
 * and lies over a level, so it is always taken by its grip.
 */
export function LevelSlider({
  label,
  valueText,
  value,
  from,
  to,
  step,
  onChange,
  isSet,
  width,
  height,
  smear = false,
}: {
  readonly label: string;
  readonly valueText: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
  readonly isSet: boolean;
  /** Of the track, in px. */
  readonly width: number;
  readonly height: number;
  readonly smear?: boolean;
}) {
  return (
    <Slider.Root
      orientation="vertical"
      value={[value]}
      min={from}
      max={to}
      step={step}
      onValueChange={([next]) => next !== undefined && onChange(next)}
      onPointerUp={() => onChange(value)}
      style={{ width, height }}
      className={`relative flex select-none flex-col ${smear ? "pointer-events-none" : "cursor-ns-resize pointer-coarse:pointer-events-none"}`}
    >
      <Slider.Track className="relative h-full w-full" />
      <Slider.Thumb
        aria-label={label}
        aria-valuetext={valueText}
        onKeyDown={(event) => event.key === "Enter" && onChange(value)}
        style={{ width }}
        className={`flex h-0 items-center outline-offset-8 ${smear ? "justify-start" : "justify-end"} ${isSet ? "" : "opacity-75"}`}
      >
        <span
          className={`absolute inset-x-0 ${smear ? "border-t-[3px] border-dotted border-ink" : "h-[3px] bg-crust"}`}
        />
        <span
          className={`pointer-events-auto relative flex h-11 w-14 touch-none cursor-ns-resize flex-col items-center justify-center gap-1 rounded-lg shadow-md ${smear ? "-ms-9 border-2 border-ink bg-card text-ink" : "-me-9 bg-crust text-on-crust"}`}
        >
          <svg width="18" height="22" viewBox="0 0 18 22" aria-hidden="true">
            <path d="M4 8l5-5 5 5M4 14l5 5 5-5" fill="none" stroke="currentColor" strokeWidth="2.2" />
          </svg>
        </span>
      </Slider.Thumb>
    </Slider.Root>
  );
}
