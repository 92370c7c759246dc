/** A practice jar's story as it is played: what stands there at an hour, and when something happens next. */
import type {
  PracticeDoing,
  PracticeFrame,
  PracticeLived,
  PracticeMade,
  SituationCode,
} from "../../api/types";
import { mixColour } from "../../drawing/colours";
import type { JarState } from "../../drawing/jar";

/** What is done to know how it stands; all else changes something. */
export const LOOK: Extract<PracticeDoing, "look"> = "look";

/** Every practice jar was mixed at eight on its first day. */
const FIRST_HOUR = 8;

export type Clock = { readonly day: number; readonly minutes: number };

export function clockAt(atH: number): Clock {
  const minutes = Math.round((atH + FIRST_HOUR) * 60);
  return { day: Math.floor(minutes / 1440) + 1, minutes: minutes % 1440 };
}

/** The last that had come by then. */
export function frameAt(lived: PracticeLived, atH: number): PracticeFrame | null {
  let found: PracticeFrame | null = lived.frames[0] ?? null;
  for (const frame of lived.frames) {
    if (frame.at_h > atH + 1e-6) break;
    found = frame;
  }
  return found;
}

/** The level between two frames, so that it moves without jumps. */
export function levelAt(lived: PracticeLived, atH: number): number {
  const before = frameAt(lived, atH);
  if (!before) return 1;
  const next = lived.frames.find((frame) => frame.at_h > atH + 1e-6);
  if (!next || next.at_h === before.at_h || next.level < before.level - 0.3) return before.level;
  const share = Math.min(1, Math.max(0, (atH - before.at_h) / (next.at_h - before.at_h)));
  return before.level + share * (next.level - before.level);
}

function shows(frame: PracticeFrame): string {
  return [frame.bubbles, ...frame.top, ...frame.smell, frame.thickness, frame.fallen].join(" ");
}

/** The next hour at which something that can be seen or smelt is other than now; the end where nothing is. */
export function nextEvent(lived: PracticeLived, atH: number): number {
  const now = frameAt(lived, atH);
  const next = now && lived.frames.find((frame) => frame.at_h > atH + 1e-6 && shows(frame) !== shows(now));
  return next?.at_h ?? lived.ended_h;
}

export function drawnAt(lived: PracticeLived, atH: number): JarState | null {
  const frame = frameAt(lived, atH);
  if (!frame) return null;
  const lot = Object.entries(lived.flours).map(([flour, g]) => ({ flour, g }));
  return {
    glass: { volumeMl: frame.volume_ml, heightMm: frame.height_mm, flare: 1 },
    lineMm: frame.line_mm,
    levelMm: Math.min(frame.height_mm, levelAt(lived, atH) * frame.line_mm),
    highMm: frame.fallen ? Math.min(frame.height_mm, frame.high * frame.line_mm) : null,
    colour: mixColour(lot),
    bubbles: frame.bubbles,
    top: frame.top,
    gone: false,
  };
}

export function anySeed(): number {
  return Math.floor(Math.random() * 1_000_000);
}

/** A seed as it stands in a link; another one where it is none. */
export function seedFrom(text: string | null): number | null {
  return text !== null && /^\d{1,9}$/.test(text) ? Number(text) : null;
}

// --- the result, as a file ---

const FORMAT = "despertar.practice";

export type Result = {
  readonly name: string;
  readonly situation: SituationCode;
  readonly seed: number;
  readonly acts: readonly PracticeMade[];
};

export function asFile(result: Result): string {
  return JSON.stringify({ format: FORMAT, version: 1, ...result });
}

/** Null for a file that is no result; what it holds is judged, and refused, by the kitchen. */
export function fromFile(text: string): Result | null {
  try {
    const told: unknown = JSON.parse(text);
    if (typeof told !== "object" || told === null) return null;
    const { format, name, situation, seed, acts } = told as Record<string, unknown>;
    if (format !== FORMAT || typeof name !== "string" || typeof situation !== "string") return null;
    if (typeof seed !== "number" || !Array.isArray(acts)) return null;
    return {
      name: name.slice(0, 80),
      situation: situation as SituationCode,
      seed,
      acts: acts as PracticeMade[],
    };
  } catch {
    return null;
  }
}
