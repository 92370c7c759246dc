/** The short sums: a slip mended, an amount in other units, a recipe's starter in another thickness. */
import { keepPreviousData } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Flour, Unit } from "../../api/types";
import { asSent, grams, written } from "../../lib/numbers";
import { spoons } from "../../lib/units";
import { Choice } from "../../ui/choice";
import { TextField } from "../../ui/field";
import { FLOUR_WORDS, MEASURE_NAMES, mendWords, problemAt, reckonerText } from "../../words";
import { Answer, Big, Sum, sent, useAsked } from "./asked";

const QUIET = { retry: false, placeholderData: keepPreviousData } as const;

/** What to add after too much or too little went in. */
export function Slip() {
  const asked = useAsked({ ratio: "1:1:1", keep: "30", waterIn: "40", flourIn: "" });
  const { values, set, rested } = asked;
  const found = api.useQuery(
    "post",
    "/api/reckon/mend",
    {
      body: {
        ratio: rested.ratio,
        keep_g: sent(rested.keep),
        flour_g: asSent(rested.flourIn),
        water_g: asSent(rested.waterIn),
      },
    },
    QUIET,
  );
  const problems = found.error?.errors ?? [];
  const sum = { asked, problems };
  return (
    <>
      <div className="grid max-w-md content-start gap-4 sm:grid-cols-2">
        <TextField
          label={reckonerText.meantAs}
          value={values.ratio}
          onChange={(event) => set({ ratio: event.target.value })}
          error={problemAt(problems, "ratio")}
        />
        <Sum {...sum} of="keep" label={reckonerText.kept} unit="g" fields={["keep_g"]} />
        <Sum {...sum} of="waterIn" label={reckonerText.waterThatIsIn} unit="g" fields={["water_g"]} />
        <Sum {...sum} of="flourIn" label={reckonerText.flourThatIsIn} unit="g" fields={["flour_g"]} />
      </div>
      <Answer
        problems={problems}
        shown={["ratio", "keep_g", "water_g", "flour_g"]}
        waiting={found.isFetching}
      >
        {found.data && <p className="text-2xl">{mendWords(found.data.mend, rested.flourIn !== "")}</p>}
        {found.data && (
          <p className="text-soft">
            {reckonerText.ratioThen(
              found.data.mend.ratio_as_is,
              found.data.mend.ratio_mended,
              grams(found.data.mend.total_g),
            )}
          </p>
        )}
      </Answer>
    </>
  );
}

const UNITS = Object.keys(MEASURE_NAMES) as Unit[];
const WATER = "water";

/** An amount in every unit, and in the spoons and cups that there are. */
export function Units() {
  const asked = useAsked({ value: "2", unit: "tbsp", of: "rye" });
  const { values, set, rested } = asked;
  const found = api.useQuery(
    "post",
    "/api/reckon/convert",
    {
      body: {
        value: sent(rested.value),
        unit: rested.unit as Unit,
        flour: rested.of === WATER ? null : (rested.of as Flour),
      },
    },
    QUIET,
  );
  const problems = found.error?.errors ?? [];
  const kinds = Object.entries(FLOUR_WORDS).map(([value, label]) => ({ value, label }));
  const g = found.data?.units.find(({ unit }) => unit === "g")?.value;
  return (
    <>
      <div className="flex flex-col gap-5">
        <div className="max-w-44">
          <Sum
            asked={asked}
            of="value"
            label={reckonerText.amount}
            problems={problems}
            fields={["value", "unit"]}
          />
        </div>
        <Choice
          label={reckonerText.unit}
          items={UNITS.map((value) => ({ value, label: MEASURE_NAMES[value] }))}
          value={UNITS.find((one) => one === values.unit) ?? null}
          onChange={(unit) => unit && set({ unit })}
        />
        <Choice
          label={reckonerText.of}
          items={[{ value: WATER, label: reckonerText.water }, ...kinds]}
          value={values.of}
          onChange={(of) => of && set({ of })}
        />
      </div>
      <Answer problems={problems} shown={["value", "unit"]} waiting={found.isFetching}>
        {found.data && g !== undefined && (
          <>
            <Big
              value={grams(g)}
              of={found.data.spoons.length > 0 ? spoons(found.data.spoons) : reckonerText.byWeight}
            />
            <dl className="grid grid-cols-[auto_1fr] gap-x-4">
              {found.data.units.map((one) => (
                <div key={one.unit} className="contents">
                  <dt className="text-soft">{MEASURE_NAMES[one.unit]}</dt>
                  <dd className="font-semibold">{written(one.value)}</dd>
                </div>
              ))}
            </dl>
            <p className="text-soft">{reckonerText.aTenth}</p>
          </>
        )}
      </Answer>
    </>
  );
}

/** A recipe's starter, where the own one is wetter or stiffer. */
export function Recipe() {
  const asked = useAsked({ recipe: "150", asks: "100", own: "60" });
  const { rested } = asked;
  const found = api.useQuery(
    "post",
    "/api/reckon/recipe",
    {
      body: {
        recipe_g: sent(rested.recipe),
        recipe_percent: sent(rested.asks),
        own_percent: sent(rested.own),
      },
    },
    QUIET,
  );
  const problems = found.error?.errors ?? [];
  const sum = { asked, problems };
  const made = found.data;
  return (
    <>
      <div className="grid max-w-md content-start gap-4">
        <Sum {...sum} of="recipe" label={reckonerText.theRecipeAsks} unit="g" fields={["recipe_g"]} />
        <Sum {...sum} of="asks" label={reckonerText.ofAStarterAt} unit="%" fields={["recipe_percent"]} />
        <Sum {...sum} of="own" label={reckonerText.mineIsAt} unit="%" fields={["own_percent"]} />
      </div>
      <Answer
        problems={problems}
        shown={["recipe_g", "recipe_percent", "own_percent"]}
        waiting={found.isFetching}
        carry={{
          label: reckonerText.takeItOfAJar,
          to: (id) => `/jars/${id}/part?for=dough&g=${made?.starter_g ?? ""}`,
        }}
      >
        {made && (
          <>
            <Big value={grams(made.starter_g)} of={reckonerText.ofYours} />
            <p className="text-xl">
              {made.water_change_g === 0
                ? reckonerText.waterAsItIs
                : made.water_change_g > 0
                  ? reckonerText.moreWater(grams(made.water_change_g))
                  : reckonerText.lessWater(grams(-made.water_change_g))}
            </p>
            <p className="text-soft">{reckonerText.sameFlour(grams(made.flour_g))}</p>
          </>
        )}
      </Answer>
    </>
  );
}
