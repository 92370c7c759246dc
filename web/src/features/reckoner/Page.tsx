import type { ComponentType } from "react";
import { Link, useSearchParams } from "react-router";
import { useTitle } from "../../lib/hooks";
import { REALM_WORDS, reckonerText } from "../../words";
import { Building } from "./Building";
import { Feeding } from "./Feeding";
import { Recipe, Slip, Units } from "./Small";
import { Thickness } from "./Thickness";

type Realm = keyof typeof REALM_WORDS;
const REALMS = Object.keys(REALM_WORDS) as Realm[];
const SUMS: Record<Realm, ComponentType> = {
  feed: Feeding,
  thickness: Thickness,
  build: Building,
  slip: Slip,
  units: Units,
  recipe: Recipe,
};

/** Sums of a kitchen, answered without a jar; what is asked stands in the address. */
export function ReckonerPage() {
  const [search] = useSearchParams();
  const said = search.get("sum");
  const realm = REALMS.find((one) => one === said) ?? "feed";
  const Sum = SUMS[realm];
  useTitle(reckonerText.reckoner);
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{reckonerText.reckoner}</h1>
      <nav
        aria-label={reckonerText.sums}
        className="mt-4 flex flex-wrap gap-x-6 border-b border-rule print:hidden"
      >
        {REALMS.map((one) => (
          <Link
            key={one}
            to={`?sum=${one}`}
            aria-current={one === realm ? "page" : undefined}
            className="flex min-h-11 items-center font-semibold text-crust aria-[current]:border-b-4 aria-[current]:border-crust aria-[current]:text-ink"
          >
            {REALM_WORDS[one].label}
          </Link>
        ))}
      </nav>
      <h2 className="mt-6 text-xl">{REALM_WORDS[realm].asks}</h2>
      <div className="mt-4 grid gap-10 md:grid-cols-[1fr_24rem]">
        <Sum key={realm} />
      </div>
    </div>
  );
}
