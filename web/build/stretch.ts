/** English said in a made-up language: every letter foreign, every word some 40 % longer. */

const PLAIN = "abcdefghijklmnopqrstuvwxyz";
const FOREIGN = "áƀçđéƒğĥíĵķľɱñóþɋřšŧúṽŵẋýž";
const LONGER = 0.4;

/** What is no text but a code: a choice's value, how grave a sign is. */
const CODES = new Set(["value", "grave", "share", "deed"]);
/** Beside what a baker may write stands what it means. */
const WRITTEN = "says";

/** `ĥéľľóüü` of `hello`; what is foreign already stays, so that a sentence made of sentences is stretched once. */
export function foreign(text: string): string {
  return text.replace(/\{\w+\}|[A-Za-z]+/g, (word) => {
    // What is filled in by its name.
    if (word.startsWith("{")) return word;
    const letters = Array.from(word, (letter) => {
      const other = FOREIGN.charAt(PLAIN.indexOf(letter.toLowerCase()));
      return letter === letter.toLowerCase() ? other : other.toUpperCase();
    });
    return letters.join("") + "ü".repeat(Math.round(word.length * LONGER));
  });
}

/** Everything that a module of words holds, said so: texts, lists, tables, and whatever its functions answer. */
export function stretch<Words>(words: Words): Words {
  return said(words) as Words;
}

function said(words: unknown): unknown {
  if (typeof words === "string") return foreign(words);
  if (typeof words === "function") return (...given: unknown[]) => said(words(...given));
  if (Array.isArray(words)) return words.map(said);
  if (typeof words !== "object" || words === null || words instanceof Set) return words;
  const kept = WRITTEN in words ? (name: string) => name !== WRITTEN : (name: string) => CODES.has(name);
  const made = {};
  for (const name of Object.keys(words)) {
    // What is told anew each time, such as a unit, is asked anew each time.
    const told = () => (words as Record<string, unknown>)[name];
    Object.defineProperty(made, name, { get: kept(name) ? told : () => said(told()), enumerable: true });
  }
  return made;
}
