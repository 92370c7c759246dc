import { Slider } from "radix-ui";
import { clockTime } from "../lib/clock-time";
import { uiText } from "../words";

export type DayBand = { readonly start: number; readonly end: number };

const STEP = 30;
const DAY = 1440;
const TICKS = [0, 360, 720, 1080, 1440];

/** The hours of a day drawn as a bar; each band is dragged by its ends, or moved by the arrow keys. */
export function HoursBar({
  label,
  bands,
  onChange,
}: {
  readonly label: string;
  readonly bands: readonly DayBand[];
  readonly onChange: (bands: DayBand[]) => void;
}) {
  const values = bands.flatMap(({ start, end }) => [start, end]);
  const names = bands.flatMap((_, index) =>
    bands.length > 1
      ? [
          uiText.homeFrom(label, ORDER[index] ?? index + 1),
          uiText.homeUntil(label, ORDER[index] ?? index + 1),
        ]
      : [uiText.homeFrom2(label), uiText.homeUntil2(label)],
  );
  const change = (next: number[]) =>
    onChange(bands.map((_, index) => ({ start: next[2 * index] ?? 0, end: next[2 * index + 1] ?? DAY })));
  return (
    <div className="px-4">
      <Slider.Root
        value={values}
        min={0}
        max={DAY}
        step={STEP}
        minStepsBetweenThumbs={1}
        onValueChange={change}
        className="relative flex h-12 touch-none items-center select-none"
      >
        <Slider.Track className="relative h-5 w-full overflow-hidden rounded bg-[var(--night)] outline outline-1 outline-edge">
          {bands.map(({ start, end }) => (
            <span
              key={start}
              className="absolute inset-y-0 bg-crust/70"
              style={{ left: `${(start / DAY) * 100}%`, right: `${100 - (end / DAY) * 100}%` }}
            />
          ))}
        </Slider.Track>
        {values.map((value, index) => (
          <Slider.Thumb
            // biome-ignore lint/suspicious/noArrayIndexKey: a thumb is its place in the row
            key={index}
            aria-label={names[index] ?? label}
            aria-valuetext={clockTime(value)}
            className="block h-11 w-5 rounded-md border-2 border-crust bg-card shadow"
          />
        ))}
      </Slider.Root>
      <div aria-hidden="true" className="relative h-5 text-[0.8rem] text-soft">
        {TICKS.map((tick) => (
          <span key={tick} className="absolute -translate-x-1/2" style={{ left: `${(tick / DAY) * 100}%` }}>
            {clockTime(tick)}
          </span>
        ))}
      </div>
    </div>
  );
}

const ORDER = [uiText.firstTime, uiText.secondTime, uiText.thirdTime];
