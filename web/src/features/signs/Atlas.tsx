import type { ReactNode } from "react";
import type { Top } from "../../api/types";
import { CLOSE_UPS, SPOONS, WALLS } from "../../drawing/atlas";
import { TOP_PICTURES } from "../../drawing/glyphs";
import { CLOSE_UP_WORDS, SPOON_WORDS, signsText, TOP_HINTS, TOP_WORDS, WALL_WORDS } from "../../words";

/** What a jar can show, drawn: to hold one's own jar against. */
export function Atlas() {
  return (
    <section aria-labelledby="atlas" className="mt-14 border-t-2 border-rule pt-6">
      <h2 id="atlas" className="text-2xl">
        {signsText.holdItAgainstThese}
      </h2>
      <Plate title={signsText.closeUpFilmOrMould} id="close-up">
        {rows(CLOSE_UP_WORDS, CLOSE_UPS)}
      </Plate>
      <Plate title={signsText.atTheGlass}>{rows(WALL_WORDS, WALLS)}</Plate>
      <Plate title={signsText.theTopCutThrough}>
        {(Object.keys(TOP_WORDS) as Top[]).map((top) => (
          <Figure key={top} name={TOP_WORDS[top]} what={TOP_HINTS[top] ?? ""}>
            <span className="flex h-20 origin-center scale-[1.6] items-center">{TOP_PICTURES[top]}</span>
          </Figure>
        ))}
      </Plate>
      <Plate title={signsText.fromTheSpoonThinTo}>{rows(SPOON_WORDS, SPOONS)}</Plate>
    </section>
  );
}

function rows<K extends string>(
  words: Record<K, { readonly name: string; readonly what: string }>,
  pictures: Record<K, ReactNode>,
): ReactNode {
  return (Object.keys(words) as K[]).map((key) => (
    <Figure key={key} name={words[key].name} what={words[key].what}>
      {pictures[key]}
    </Figure>
  ));
}

function Plate({
  title,
  id,
  children,
}: {
  readonly title: string;
  readonly id?: string;
  readonly children: ReactNode;
}) {
  return (
    <div id={id} className="mt-6">
      <h3 className="text-lg">{title}</h3>
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-5">{children}</div>
    </div>
  );
}

function Figure({
  name,
  what,
  children,
}: {
  readonly name: string;
  readonly what: string;
  readonly children: ReactNode;
}) {
  return (
    <figure className="flex w-36 flex-col items-center text-center">
      {children}
      <figcaption className="mt-2 leading-tight">
        <span className="block font-semibold first-letter:uppercase">{name}</span>
        <span className="text-[0.9rem] text-soft">{what}</span>
      </figcaption>
    </figure>
  );
}
