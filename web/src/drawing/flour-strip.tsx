/** One strip of flour, cut where it went: each part as wide as its share. */
import { grams } from "../lib/numbers";

type Share = "dough" | "passed_on" | "discard_jar" | "standing" | "thrown_out";

type Parts = {
  /** The strip in a sentence, for who cannot see it. */
  readonly label: string;
  readonly parts: readonly { readonly share: Share; readonly g: number }[];
  readonly words: Record<Share, string>;
};

// What was thrown out is dotted, so that it is not told by its colour alone; the others stand by their names below.
const LOOKS: Record<Share, string> = {
  dough: "bg-leaf",
  passed_on: "bg-dawn",
  discard_jar: "bg-water",
  standing: "bg-[var(--plank)]",
  thrown_out: "bg-card bg-[radial-gradient(var(--soft)_1.3px,transparent_1.6px)] bg-[length:9px_9px]",
};

export function FlourStrip({ label, parts, words }: Parts) {
  return (
    <figure className="flex max-w-4xl flex-col gap-4">
      <div role="img" aria-label={label} className="flex h-20 w-full border border-edge">
        {parts.map(({ share, g }) => (
          <span
            key={share}
            style={{ flexGrow: g }}
            className={`min-w-2.5 basis-0 border-edge not-last:border-e ${LOOKS[share]}`}
          />
        ))}
      </div>
      <figcaption aria-hidden="true" className="flex flex-wrap gap-x-8 gap-y-2">
        {parts.map(({ share, g }) => (
          <span key={share} className="flex items-center gap-2">
            <span className={`size-5 border border-edge ${LOOKS[share]}`} />
            <span>
              <span className="font-semibold">{grams(Math.round(g))}</span> {words[share]}
            </span>
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
