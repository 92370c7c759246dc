/** What every mark of the rise line is placed by: its scales, and the room around them. */

export type Frame = {
  readonly x: (at: number) => number;
  readonly y: { (times: number): number; ticks(count: number): number[] };
  readonly width: number;
  readonly height: number;
  readonly margin: {
    readonly top: number;
    readonly right: number;
    readonly bottom: number;
    readonly left: number;
  };
};
