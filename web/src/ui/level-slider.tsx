import { Slider } from "radix-ui";

/**
 * A level dragged up and down over a drawing. `from` and `to` are the levels at the foot and the head of the track; the
 * handle is a line across the drawing with a grip at its side.
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
      className="relative flex cursor-ns-resize touch-none select-none flex-col"
    >
      <Slider.Track className="relative h-full w-full" />
      <Slider.Thumb
        aria-label={label}
        aria-valuetext={valueText}
        onKeyDown={(event) => event.key === "Enter" && onChange(value)}
        style={{ width }}
        className={`flex h-0 items-center justify-end outline-offset-8 ${isSet ? "" : "opacity-75"}`}
      >
        <span className="absolute inset-x-0 h-[3px] bg-crust" />
        <span className="relative -mr-9 flex h-11 w-14 flex-col items-center justify-center gap-1 rounded-lg bg-crust text-on-crust shadow-md">
          <svg width="18" height="22" viewBox="0 0 18 22" aria-hidden="true">
            <path d="M4 8l5-5 5 5M4 14l5 5 5-5" fill="none" stroke="currentColor" strokeWidth="2.2" />
          </svg>
        </span>
      </Slider.Thumb>
    </Slider.Root>
  );
}
