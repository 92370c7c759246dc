import { type FormEvent, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { Family, Flour, Problem } from "../../api/types";
import { planJar } from "../../api/writes";
import { useRested, useTitle } from "../../lib/hooks";
import { useDraft } from "../../lib/store";
import { deviceZone } from "../../lib/time";
import { Button } from "../../ui/button";
import { Choice, Choices } from "../../ui/choice";
import { NumberField, TextField } from "../../ui/field";
import { Loading, OutOfReach, Trouble } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { WhenField } from "../../ui/when-field";
import { FLOUR_WORDS } from "../../words/flours";
import { fieldWords, problemAt, problemWords } from "../../words/problems";
import { type JarDraft, jarOf, newDraft } from "./draft";
import { Preview } from "./Preview";

const HOURS = [
  { value: "24", label: "Once a day", hint: "every 24 h" },
  { value: "12", label: "Twice a day", hint: "every 12 h" },
];
const SHOWN = [
  "name",
  "tare_g",
  "volume_ml",
  "height_mm",
  "starts_at",
  "seed_grams",
  "choices.seed_grams",
  "blend",
];

export function NewJarPage() {
  useTitle("New jar");
  const catalogue = api.useQuery("get", "/api/catalogue", {}, { staleTime: Number.POSITIVE_INFINITY });
  if (catalogue.isPending) return <Loading what="Fetching the methods" />;
  const family = catalogue.data?.families[0];
  if (!catalogue.data || !family) return <OutOfReach onRetry={() => void catalogue.refetch()} />;
  return <NewJarForm family={family} flours={catalogue.data.flours} />;
}

function NewJarForm({ family, flours }: { readonly family: Family; readonly flours: readonly Flour[] }) {
  const session = api.useQuery("get", "/api/session");
  const zone = session.data?.account?.time_zone ?? deviceZone();
  const [draft, setDraft, clear] = useDraft<JarDraft>("new-jar", newDraft);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const set = (part: Partial<JarDraft>) => setDraft({ ...draft, ...part });
  const rested = useRested(draft, 250);
  const chosen = useMemo(() => {
    const typedIn = Object.keys(draft.flours) as Flour[];
    return typedIn.length ? typedIn : (Object.keys(family.usual_blend) as Flour[]);
  }, [draft.flours, family]);
  const error = (...fields: string[]) => problemAt(problems, ...fields);

  const chooseFlours = (next: Flour[]) => {
    if (next.length)
      set({ flours: Object.fromEntries(next.map((flour) => [flour, draft.flours[flour] ?? "1"])) });
  };
  const save = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setProblems([]);
    const jar = jarOf(draft, family, Date.now(), zone);
    const outcome = await planJar(jar, { path: "/new", draft: "new-jar", value: draft });
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems);
      return;
    }
    clear();
    if (outcome.kind === "waiting") say("Kept on this device. It is sent when the connection is back.");
    await navigate(outcome.kind === "waiting" ? "/" : `/?jar=${draft.id}`);
  };
  const other = problems.filter((problem) => !SHOWN.includes(problem.field));

  return (
    <form onSubmit={(event) => void save(event)} noValidate className="pt-6">
      <h1 className="text-3xl">A new jar</h1>
      <p className="mt-1 max-w-prose text-soft">
        From flour and water, in equal parts by the clock: seed, flour and water alike, once or twice a day.
      </p>
      <div className="mt-6 grid gap-10 md:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-6">
          <TextField
            label="Name"
            hint="What you will call it on the shelf."
            value={draft.name}
            onChange={(event) => set({ name: event.target.value })}
            error={error("name")}
          />
          <Choices
            label="Flour"
            items={flours.map((flour) => ({ value: flour, label: FLOUR_WORDS[flour] }))}
            value={chosen}
            onChange={chooseFlours}
            error={error("blend")}
          />
          {chosen.length > 1 && (
            <div className="flex flex-wrap gap-4">
              {chosen.map((flour) => (
                <div key={flour} className="w-44">
                  <NumberField
                    label={`Parts of ${FLOUR_WORDS[flour]}`}
                    value={draft.flours[flour] ?? "1"}
                    onChange={(event) => set({ flours: { ...draft.flours, [flour]: event.target.value } })}
                  />
                </div>
              ))}
            </div>
          )}
          <Choice
            label="Rhythm"
            items={HOURS}
            value={draft.hours || String(family.usual_hours)}
            onChange={(hours) => hours && set({ hours })}
          />
          <div className="grid gap-4 sm:grid-cols-2">
            <NumberField
              label="Seed kept at each feed"
              unit="g"
              placeholder={String(family.usual_seed_g)}
              hint={`${family.least_seed_g} to ${family.most_seed_g} g. Less seed, less waste.`}
              value={draft.seed}
              onChange={(event) => set({ seed: event.target.value })}
              error={error("seed_grams", "choices.seed_grams")}
            />
            <NumberField
              label="Weight of the empty jar"
              unit="g"
              hint="Clean and dry, lid off. Write it on the jar too."
              value={draft.tare}
              onChange={(event) => set({ tare: event.target.value })}
              error={error("tare_g")}
            />
            <NumberField
              label="Jar, filled to the rim"
              unit="ml"
              value={draft.volume}
              onChange={(event) => set({ volume: event.target.value })}
              error={error("volume_ml")}
            />
            <NumberField
              label="Inside height"
              unit="mm"
              value={draft.height}
              onChange={(event) => set({ height: event.target.value })}
              error={error("height_mm")}
            />
          </div>
          <WhenField
            label="First mix"
            ahead
            value={draft.start}
            onChange={(start) => set({ start })}
            zone={zone}
            error={error("starts_at")}
          />
          {problems.length > 0 && (
            <Trouble>
              <strong>Not planned yet.</strong>{" "}
              {other.length > 0
                ? other.map((problem) => `${fieldWords(problem.field)}: ${problemWords(problem)}`).join(" ")
                : `See ${problems.map((problem) => fieldWords(problem.field)).join(", ")}.`}
            </Trouble>
          )}
        </div>
        <Preview draft={rested} family={family} zone={zone} />
      </div>
      <div className="sticky bottom-0 bg-paper py-3">
        <Button type="submit" look="act" disabled={busy} className="w-full sm:w-auto sm:px-10">
          {busy ? "Planning …" : "Put it on the shelf"}
        </Button>
      </div>
    </form>
  );
}
