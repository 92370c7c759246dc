import type { Origin } from "../../api/types";
import { ButtonLink } from "../../ui/button";
import { kitchenText, ORIGIN_WORDS } from "../../words";

const ORIGINS = Object.keys(ORIGIN_WORDS) as Origin[];

/** Nothing on the shelf yet: the first question of a new jar is asked here. */
export function EmptyShelf() {
  return (
    <div className="mx-auto flex max-w-lg flex-col items-start gap-5 py-20">
      <h1 className="text-3xl">{kitchenText.theShelfIsEmpty}</h1>
      <p className="text-lg">{kitchenText.allItTakesIsFlour}</p>
      <h2 className="text-xl">{kitchenText.whatDoYouBeginWith}</h2>
      <div className="flex flex-wrap gap-3">
        {ORIGINS.map((origin) => (
          <ButtonLink key={origin} look={origin === ORIGINS[0] ? "act" : "quiet"} to={`/new?from=${origin}`}>
            {ORIGIN_WORDS[origin].label}
          </ButtonLink>
        ))}
      </div>
      <p className="text-soft">{kitchenText.rawFlourAndRawStarter}</p>
    </div>
  );
}
