import { Slider } from "radix-ui";
import type { ReactNode } from "react";

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
  children,
}: {
  readonly label: string;
  readonly valueText: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
  readonly isSet: boolean;
  readonly children: ReactNode;
}) {
  return (
    <div className="relative touch-none select-none">
      {children}
      <Slider.Root
        orientation="vertical"
        value={[value]}
        min={from}
        max={to}
        step={step}
        onValueChange={([next]) => next !== undefined && onChange(next)}
        onPointerUp={() => onChange(value)}
        className="absolute inset-0 flex cursor-ns-resize flex-col"
      >
        <Slider.Track className="relative h-full w-full" />
        <Slider.Thumb
          aria-label={label}
          aria-valuetext={valueText}
          onKeyDown={(event) => event.key === "Enter" && onChange(value)}
          className={`flex h-0 w-full items-center justify-end outline-offset-8 ${isSet ? "" : "opacity-75"}`}
        >
          <span className="absolute inset-x-0 h-[3px] bg-crust" />
          <span className="relative -mr-6 flex h-11 w-14 flex-col items-center justify-center gap-1 rounded-lg bg-crust text-on-crust shadow-md">
            <svg width="18" height="22" viewBox="0 0 18 22" aria-hidden="true">
              <path d="M4 8l5-5 5 5M4 14l5 5 5-5" fill="none" stroke="currentColor" strokeWidth="2.2" />
            </svg>
          </span>
        </Slider.Thumb>
      </Slider.Root>
    </div>
  );
}
