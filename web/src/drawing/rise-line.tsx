/** The rise line over all days. Ring = feed, open dot = look, dotted = high mark, dashes = doubled; nights are shaded. */
import { scaleLinear } from "d3-scale";
import { useEffect, useRef } from "react";
import { useWidth } from "../lib/hooks";
import { drawingText } from "../words";
import { Days, Levels, LevelsThatStay, Nights, Now } from "./rise-axes";
import { type FanPoint, fanToDraw, levelRange, type Round, type Stretch, timeRange } from "./rise-geometry";
import { Chilled, Fan, Rounds, type Turned, Turns } from "./rise-marks";

const HEIGHT = 300;
const MARGIN = { top: 16, right: 16, bottom: 40, left: 44 };
const LEAST_DAY_PX = 76;
const DAY = 24 * 3_600_000;
/** Half a small picture along the line. */
const HALF_A_PICTURE_PX = 24;

type Picture = { readonly id: string; readonly at: number; readonly src: string };

export function RiseLine({
  rounds,
  forecast = [],
  now,
  zone,
  summary,
  photos = [],
  chilled = [],
  turns = [],
  doubled,
}: {
  readonly rounds: readonly Round[];
  /** The running round's forecast, drawn as a fan. */
  readonly forecast?: readonly FanPoint[];
  readonly now: number;
  readonly zone: string;
  readonly summary: string;
  /** Small pictures along the line, where they were taken. */
  readonly photos?: readonly Picture[];
  /** When it stood in the fridge. */
  readonly chilled?: readonly Stretch[];
  /** What was changed on the way. */
  readonly turns?: readonly Turned[];
  /** The level that counts as doubled for what the jar holds. */
  readonly doubled: number;
}) {
  const [measured, frameWidth] = useWidth<HTMLDivElement>();
  const scroller = useRef<HTMLElement>(null);
  const fan = fanToDraw(forecast, now);
  const [from, to] = timeRange(rounds, now, fan);
  const width = Math.max(frameWidth, MARGIN.left + MARGIN.right + ((to - from) / DAY) * LEAST_DAY_PX);
  const x = scaleLinear([from, to], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear(levelRange(rounds, doubled, fan), [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const frame = { x, y, width, height: HEIGHT, margin: MARGIN };

  // The newest days are what a baker comes for.
  useEffect(() => {
    const element = scroller.current;
    if (element && frameWidth > 0) element.scrollLeft = width;
    // Of many days the width is known before the frame is, and stays.
  }, [width, frameWidth]);

  return (
    <div ref={measured}>
      {frameWidth > 0 && (
        <section
          ref={scroller}
          className="overflow-x-auto pb-1"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
          tabIndex={0}
          aria-label={drawingText.riseLineScrolls}
        >
          {photos.length > 0 && <Pictures photos={photos} x={x} width={width} />}
          <div className="grid" style={{ width }}>
            <svg
              width={width}
              height={HEIGHT}
              role="img"
              aria-label={summary}
              className="col-start-1 row-start-1"
            >
              <Nights {...frame} from={from} to={to} zone={zone} />
              <Chilled {...frame} stretches={chilled} />
              <Levels {...frame} doubled={doubled} />
              <Days {...frame} from={from} to={to} zone={zone} />
              <Turns {...frame} turns={turns} />
              <Now {...frame} now={now} />
              <Fan {...frame} points={fan} />
              <Rounds {...frame} rounds={rounds} />
            </svg>
            {width > frameWidth && <LevelsThatStay {...frame} doubled={doubled} />}
          </div>
        </section>
      )}
    </div>
  );
}

/** Small pictures along the line, where they were taken. */
function Pictures({
  photos,
  x,
  width,
}: {
  readonly photos: readonly Picture[];
  readonly x: (at: number) => number;
  readonly width: number;
}) {
  return (
    <div aria-hidden="true" className="relative h-16" style={{ width }}>
      {photos.map((photo) => (
        <img
          key={photo.id}
          src={photo.src}
          alt=""
          loading="lazy"
          style={{
            left: Math.min(Math.max(0, x(photo.at) - HALF_A_PICTURE_PX), width - 2 * HALF_A_PICTURE_PX),
          }}
          className="absolute top-1 h-14 w-12 rounded border-2 border-card object-cover shadow"
        />
      ))}
    </div>
  );
}
