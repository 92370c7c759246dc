import { useState } from "react";
import { api, http } from "../../api/client";
import type { DiscardAct, DiscardJar, Discard as Known, Problem, Top } from "../../api/types";
import { noteDiscard } from "../../api/writes";
import { DiscardDrawing } from "../../drawing/discard";
import { nowIso } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { grams, millilitres, typed } from "../../lib/numbers";
import { when } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button, ButtonLink } from "../../ui/button";
import { Choices } from "../../ui/choice";
import { NumberField, TextField } from "../../ui/field";
import { SignNote } from "../../ui/sign-note";
import { Loading, OutOfReach } from "../../ui/states";
import { useSay } from "../../ui/toast";
import {
  allergenLine,
  commonText,
  DISCARD_NAMES,
  discardLine,
  discardNoteLine,
  discardSign,
  pantryText,
  problemAt,
  TOP_WORDS,
} from "../../words";

/** The discard jar: how much is in it, how old, from which jars; taken out of, emptied, washed, looked at. */
export function DiscardPage() {
  useTitle(pantryText.discardJar);
  const discard = api.useQuery("get", "/api/discard");
  if (discard.isPending) return <Loading what={pantryText.lookingAtIt} />;
  if (!discard.data) return <OutOfReach onRetry={() => void discard.refetch()} />;
  const { jars } = discard.data;
  return (
    <div className="flex flex-col gap-12 pt-6">
      {jars.length === 0 && (
        <div className="flex max-w-prose flex-col gap-3">
          <h1 className="text-3xl">{pantryText.discardJar}</h1>
          <p className="text-lg font-semibold">{pantryText.nothingInItYet}</p>
          <p>{pantryText.howItIsFilled}</p>
        </div>
      )}
      {jars.map((jar) => (
        <One key={jar.shelf} jar={jar} known={discard.data} />
      ))}
      <p className="max-w-prose border-s-4 border-water ps-4">{pantryText.bakedThrough}</p>
      <Before known={discard.data} />
      <p>
        <ButtonLink to="/flour">{pantryText.seeTheFlour}</ButtonLink>
      </p>
    </div>
  );
}

function One({ jar, known }: { readonly jar: DiscardJar; readonly known: Known }) {
  const { now, time_zone: zone } = known;
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const say = useSay();
  const note = async (
    act: DiscardAct,
    more: { g?: number; top?: Top[]; made_for?: string; ml?: number } = {},
  ) => {
    const body = {
      id: newId(),
      at: nowIso(),
      shelf: jar.shelf,
      act,
      g: 0,
      top: [],
      made_for: "",
      ml: 0,
      ...more,
    };
    const outcome = await noteDiscard(body, DISCARD_NAMES[jar.shelf]);
    setProblems(outcome.kind === "refused" ? outcome.problems : []);
    if (outcome.kind === "waiting") say(commonText.keptOnThisDeviceIt);
    return outcome.kind !== "refused";
  };
  const full = jar.total_g > 0;
  return (
    <section aria-label={DISCARD_NAMES[jar.shelf]} className="grid gap-x-12 gap-y-6 md:grid-cols-[auto_1fr]">
      <DiscardDrawing totalG={jar.total_g} flours={jar.flours} top={[]} holdsMl={jar.holds_ml} scale={1.5} />
      <div className="flex max-w-prose flex-col gap-4">
        <h1 className="text-3xl">{DISCARD_NAMES[jar.shelf]}</h1>
        <p className="text-lg font-semibold">{discardLine(jar, now)}</p>
        {full && <p>{allergenLine(jar)}</p>}
        {jar.signs.map((sign) => (
          <SignNote key={sign} {...discardSign(sign, jar)} />
        ))}
        {full && (
          <details>
            <summary className="min-h-11 py-2 font-semibold text-crust">{pantryText.whatIsInIt}</summary>
            <ul>
              {jar.parts.map((part) => (
                <li key={`${part.jar}-${part.at}`} className="border-b border-rule py-1">
                  {pantryText.from(grams(part.g), part.name, when(part.at, now, zone))}
                </li>
              ))}
            </ul>
          </details>
        )}
        {full && <TakeOut onTake={(g, what) => note("taken", { g, made_for: what })} problems={problems} />}
        <div className="flex flex-wrap gap-3">
          {full && <Button onClick={() => void note("used_up")}>{pantryText.allUsed}</Button>}
          {full && <Button onClick={() => void note("emptied")}>{pantryText.emptied}</Button>}
          <Button onClick={() => void note("washed")}>{pantryText.washed}</Button>
        </div>
        <Size jar={jar} onSized={(ml) => note("sized", { ml })} problems={problems} />
        {full && <Shows onShown={(top) => note("looked", { top })} />}
      </div>
    </section>
  );
}

function TakeOut({
  onTake,
  problems,
}: {
  readonly onTake: (g: number, what: string) => Promise<boolean>;
  readonly problems: readonly Problem[];
}) {
  const [much, setMuch] = useState("");
  const [what, setWhat] = useState("");
  const take = async () => {
    const g = typed(much);
    if (await onTake(g === null || Number.isNaN(g) ? 0 : g, what.trim())) {
      setMuch("");
      setWhat("");
    }
  };
  return (
    <form
      noValidate
      className="flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <div className="w-36">
        <NumberField
          label={pantryText.howMuch}
          unit="g"
          value={much}
          onText={(text) => setMuch(text)}
          error={problemAt(problems, "g")}
        />
      </div>
      <div className="w-56">
        <TextField
          label={pantryText.whatFor}
          placeholder={pantryText.pancakes}
          value={what}
          maxLength={60}
          onChange={(event) => setWhat(event.target.value)}
        />
      </div>
      <Button type="submit" look="act" className="mt-7">
        {pantryText.takeIt}
      </Button>
    </form>
  );
}

/** How large the jar itself is: only so can it be full. */
function Size({
  jar,
  onSized,
  problems,
}: {
  readonly jar: DiscardJar;
  readonly onSized: (ml: number) => Promise<boolean>;
  readonly problems: readonly Problem[];
}) {
  const [ml, setMl] = useState("");
  const [open, setOpen] = useState(false);
  if (jar.holds_ml !== null && !open) {
    return (
      <p>
        {pantryText.itHoldsSo(millilitres(jar.holds_ml))}{" "}
        <Button look="plain" onClick={() => setOpen(true)}>
          {pantryText.anotherJar}
        </Button>
      </p>
    );
  }
  return (
    <form
      noValidate
      className="flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        const size = typed(ml);
        void onSized(size === null || Number.isNaN(size) ? 0 : size).then((done) => done && setOpen(false));
      }}
    >
      <div className="w-36">
        <NumberField
          label={pantryText.itHolds}
          unit="ml"
          value={ml}
          onText={(text) => setMl(text)}
          error={problemAt(problems, "ml")}
        />
      </div>
      <Button type="submit" className="mt-7">
        {pantryText.thatLarge}
      </Button>
    </form>
  );
}

const SHOWN = (["liquid", "white_film", "coloured_streaks", "fuzzy_spots"] as const).map((value) => ({
  value,
  label: TOP_WORDS[value],
}));

function Shows({ onShown }: { readonly onShown: (top: Top[]) => Promise<boolean> }) {
  const [top, setTop] = useState<Top[]>([]);
  return (
    <div className="flex flex-col items-start gap-3">
      <Choices label={pantryText.somethingIsWrong} items={SHOWN} value={top} onChange={setTop} />
      {top.length > 0 && (
        <Button
          onClick={async () => {
            if (await onShown(top)) setTop([]);
          }}
        >
          {pantryText.thatIsIt}
        </Button>
      )}
    </div>
  );
}

function Before({ known }: { readonly known: Known }) {
  const { act, problem } = useAct();
  if (known.latest.length === 0) return null;
  return (
    <section aria-label={pantryText.before}>
      <h2 className="text-2xl">{pantryText.before}</h2>
      <ul className="mt-2 max-w-prose">
        {known.latest.map((note) => (
          <li key={note.id} className="flex items-center justify-between gap-3 border-b border-rule">
            <span dir="auto">{discardNoteLine(note, known.now, known.time_zone)}</span>
            <Button
              look="plain"
              onClick={() =>
                void act(http.DELETE("/api/discard/{note_id}", { params: { path: { note_id: note.id } } }))
              }
            >
              {pantryText.undo}
            </Button>
          </li>
        ))}
      </ul>
      <Refused problem={problem} />
    </section>
  );
}
