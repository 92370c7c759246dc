/** One line as a look or a feed: `1.8x domed apple`, `fed 30 30 30`. */
import type { FeedBody, FlourGrams, LevelUnit, LookBody } from "../../api/types";
import { keptOf, ofOther } from "../../lib/forms";
import { typed } from "../../lib/numbers";
import { FED_WORDS, JOINING, SEEN_WORDS, TIMES_SIGNS } from "../../words";

export type Understood = {
  readonly entry: LookBody | FeedBody;
  /** Words that mean nothing here; they go along as the note. */
  readonly rest: readonly string[];
};

const NUMBER = /^([+-]?\d+(?:[.,]\d+)?)(.*)$/;
/** Signs that stand behind a number: what it is the level in, or how warm or sour it is. */
const UNITS: Record<string, LevelUnit> = { "%": "percent", mm: "mm", ml: "ml", in: "mm" };

/** What a line says; null where it says nothing yet. `flours` is what the next feed is of. */
export function understood(line: string, at: string, flours: readonly FlourGrams[]): Understood | null {
  // A comma between digits is a decimal sign, any other joins words.
  const plain = line.toLowerCase().replace(/(\d),(\d)/g, "$1.$2");
  const words = plain.split(/[\s,;·]+/).filter(Boolean);
  const [first = "", ...others] = words;
  if (FED_WORDS.includes(first)) return feedOf(others, at, flours);
  return lookOf(words, at);
}

function feedOf(words: readonly string[], at: string, flours: readonly FlourGrams[]): Understood | null {
  const numbers = words.map((word) => typed(word.replace(/(g|oz)$/, "")));
  const amounts = numbers.filter((value): value is number => value !== null && !Number.isNaN(value));
  const [keep, flour, water] = amounts.map((value) => keptOf("g", value));
  const whole = flours.reduce((sum, part) => sum + part.g, 0);
  if (keep === undefined || flour === undefined || water === undefined || whole <= 0) return null;
  const rest = words.filter((_, index) => Number.isNaN(numbers[index] ?? 0));
  return {
    entry: {
      kind: "feed",
      at,
      keep_g: keep,
      flours: flours.map((part) => ({ flour: part.flour, g: round((flour * part.g) / whole) })),
      water_g: water,
      juice_g: 0,
      salt_g: 0,
      line_mm: null,
      discard_to: null,
      tare_g: null,
      note: rest.join(" "),
    },
    rest,
  };
}

const round = (g: number) => Number(g.toFixed(2));

function lookOf(words: readonly string[], at: string): Understood | null {
  const look: LookBody = {
    kind: "look",
    at,
    level: null,
    bubbles: null,
    top: [],
    smell: [],
    thickness: null,
    high: null,
    ph: null,
    celsius: null,
    floats: null,
    note: "",
  };
  const rest: string[] = [];
  let said = 0;
  for (let place = 0; place < words.length; place++) {
    const word = words[place] ?? "";
    const number = NUMBER.exec(word);
    if (word === "ph" && NUMBER.test(words[place + 1] ?? "")) {
      look.ph = typed(words[place + 1] ?? "");
      place += 1;
      said += 1;
    } else if (number) {
      // `1.8 x` is `1.8x`.
      const glued = number[2] !== "";
      const sign = glued ? (number[2] ?? "") : (words[place + 1] ?? "");
      if (!measured(look, Number(number[1]), sign)) rest.push(word);
      else {
        said += 1;
        if (!glued) place += 1;
      }
    } else if (seen(look, word)) said += 1;
    else if (!JOINING.has(word)) rest.push(word);
  }
  look.note = rest.join(" ");
  return said > 0 ? { entry: look, rest } : null;
}

/** A number with its sign: a level, or degrees. */
function measured(look: LookBody, value: number, sign: string): boolean {
  const unit = UNITS[sign];
  if (TIMES_SIGNS.includes(sign)) look.level = { value, unit: "times" };
  else if (unit) look.level = { value: sign === "in" ? ofOther("mm", value) : value, unit };
  else if (/^°?[cf]$/.test(sign)) look.celsius = sign.endsWith("f") ? ofOther("°C", value) : value;
  else return false;
  return true;
}

function seen(look: LookBody, word: string): boolean {
  const found = SEEN_WORDS.find(({ says }) => says.includes(word));
  if (!found) return false;
  if ("top" in found) look.top = [...new Set([...look.top, found.top])];
  else if ("smell" in found) look.smell = [...new Set([...look.smell, found.smell])];
  else if ("bubbles" in found) look.bubbles ??= found.bubbles;
  else if ("thickness" in found) look.thickness = found.thickness;
  else look.floats = found.floats;
  return true;
}
