import { type FormEvent, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { BegunAs, Catalogue, Family, FamilyCode, OptionCode, Origin, Problem } from "../../api/types";
import { planJar } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { useRested, useTitle } from "../../lib/hooks";
import { grams } from "../../lib/numbers";
import { useDraft } from "../../lib/store";
import { deviceZone } from "../../lib/time";
import { momentOf } from "../../lib/when";
import { FloursPart } from "../../parts/flours";
import { GlassPart } from "../../parts/glass";
import { HoursPart } from "../../parts/hours";
import { NotSaved } from "../../parts/not-saved";
import { PlacePart, useStations } from "../../parts/place";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { TextField } from "../../ui/field";
import { Loading, OutOfReach } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { WhenField } from "../../ui/when-field";
import { commonText, newJarText, problemAt, sizeWords } from "../../words";
import { beginningAt, type Chosen, draftLike, type JarDraft, jarOf, newDraft, originOf } from "./draft";
import { FamilyChoice } from "./Family";
import { MethodFile } from "./MethodFile";
import { Options } from "./Options";
import { OtherStarts } from "./OtherStarts";
import { useOffered } from "./offered";
import { InShort, Preview } from "./Preview";
import { SideBySide } from "./SideBySide";

/** A start this far back was a start, not a slow thumb. */
const LONG_AGO_MS = 3 * 3_600_000;
const HOUR_MS = 3_600_000;
const BEGUN = [
  { value: "fed", label: newJarText.fedAsThisWayAsks },
  { value: "mixed", label: newJarText.onlyMixed },
] as const satisfies readonly { value: BegunAs; label: string }[];
const SHOWN = [
  "name",
  "size",
  "scale_step",
  "tare_g",
  "volume_ml",
  "height_mm",
  "flare",
  "warmth_c",
  "night_c",
  "starts_at",
];

const DRAFT_KEY = "new-jar.8";

export function NewJarPage() {
  useTitle(commonText.newJar);
  const catalogue = api.useQuery("get", "/api/catalogue", {}, { staleTime: Number.POSITIVE_INFINITY });
  const [search] = useSearchParams();
  const like = search.get("like");
  const model = api.useQuery(
    "get",
    "/api/jars/{jar_id}",
    { params: { path: { jar_id: like ?? "" } } },
    { enabled: like !== null },
  );
  if (catalogue.isPending || (like !== null && model.isPending))
    return <Loading what={newJarText.fetchingTheMethods} />;
  if (!catalogue.data?.families[0]) return <OutOfReach onRetry={() => void catalogue.refetch()} />;
  const from = catalogue.data.families.find(({ origin }) => origin === search.get("from"));
  const fresh = newDraft(catalogue.data);
  const begun = model.data
    ? draftLike(model.data.jar, catalogue.data)
    : from
      ? { ...fresh, family: from.code }
      : fresh;
  const draftKey = [DRAFT_KEY, like ?? from?.origin].filter(Boolean).join(".");
  return <NewJarForm key={draftKey} draftKey={draftKey} catalogue={catalogue.data} begun={begun} />;
}

/** The draft and what follows from it: its way, where it begins, when, and what was chosen. */
function useChosen(catalogue: Catalogue, draftKey: string, begun: JarDraft) {
  const { families } = catalogue;
  const session = api.useQuery("get", "/api/session");
  const zone = session.data?.account?.time_zone ?? deviceZone();
  const [draft, setDraft, clear] = useDraft<JarDraft>(draftKey, () => begun);
  const set = (part: Partial<JarDraft>) => setDraft({ ...draft, ...part });
  const rested = useRested(draft, 250);
  const family = familyOf(families, draft);
  const chosen = draft.chosen[family.code] ?? {};
  const choose = (code: OptionCode, value: Chosen[OptionCode]) =>
    set({ chosen: { ...draft.chosen, [family.code]: { ...chosen, [code]: value } } });
  const begin = (code: FamilyCode, at: Origin) => {
    const next = families.find((one) => one.code === code) ?? family;
    const choices = beginningAt(next, draft.chosen[code] ?? {}, at);
    set({ family: code, method: null, chosen: { ...draft.chosen, [code]: choices } });
  };
  const startsAt = Date.parse(momentOf(draft.start, nowMs(), zone));
  return {
    zone,
    draft,
    set,
    clear,
    rested,
    family,
    restedFamily: familyOf(families, rested),
    chosen,
    choose,
    begin,
    origin: originOf(family, chosen),
    longAgo: startsAt < nowMs() - LONG_AGO_MS,
    // To the hour, so that what was foreseen a minute ago still holds.
    start: new Date(
      Math.floor((Number.isNaN(startsAt) ? nowMs() : startsAt) / HOUR_MS) * HOUR_MS,
    ).toISOString(),
  };
}

type Choosing = ReturnType<typeof useChosen>;

/** Puts the jar on the shelf; one that was begun some time ago with what was done since. */
function usePlanning({ draft, family, zone, longAgo, clear }: Choosing, begunAs: BegunAs) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const stations = useStations();
  const save = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setProblems([]);
    // A thermometer that was withdrawn since, as a jar begun again may have, is left out.
    const station = stations.data?.find(({ id }) => id === draft.thermometer);
    const jar = {
      ...jarOf(draft, family, nowMs(), zone),
      thermometer: station?.id ?? null,
      begun: longAgo ? begunAs : null,
    };
    const outcome = await planJar(jar, { path: "/new", draft: DRAFT_KEY, value: draft });
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems);
      return;
    }
    clear();
    if (outcome.kind === "waiting") say(commonText.keptOnThisDeviceIt);
    await navigate(outcome.kind === "waiting" ? "/" : `/?jar=${draft.id}`);
  };
  return { problems, busy, save };
}

function NewJarForm({
  catalogue,
  begun,
  draftKey,
}: {
  readonly catalogue: Catalogue;
  /** What the form begins with: the usual, a jar's set-up again, or a way to wake. */
  readonly begun: JarDraft;
  readonly draftKey: string;
}) {
  const choosing = useChosen(catalogue, draftKey, begun);
  const { draft, set, rested, restedFamily, family, zone } = choosing;
  const [begunAs, setBegunAs] = useState<BegunAs>("fed");
  const { problems, busy, save } = usePlanning(choosing, begunAs);
  const error = (...fields: string[]) => problemAt(problems, ...fields);
  const codes: string[] = family.options.map((option) => option.code);
  return (
    <form onSubmit={(event) => void save(event)} noValidate className="pt-6">
      <h1 className="text-3xl">{newJarText.aNewJar}</h1>
      <div className="mt-6 grid gap-10 md:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-6">
          <WayPart catalogue={catalogue} choosing={choosing} problems={problems} />
          <Choice
            label={newJarText.size}
            items={catalogue.beginning.sizes.map((size) => ({ value: String(size), label: sizeWords(size) }))}
            value={draft.size}
            onChange={(size) => size && set({ size })}
            error={error("size")}
          />
          {draft.hasScale && (
            <Choice
              label={newJarText.yourScaleTells}
              items={catalogue.beginning.scale_steps.map((step) => ({
                value: String(step),
                label: grams(step),
              }))}
              value={String(draft.scaleStep)}
              onChange={(step) => step && set({ scaleStep: Number(step) })}
              error={error("scale_step")}
            />
          )}
          <details>
            <summary className="min-h-11 py-2 font-semibold text-crust">
              {newJarText.floursOnYourShelf}
            </summary>
            <FloursPart />
          </details>
          <PlacePart draft={draft} set={set} error={error} places={catalogue.places} />
          <GlassPart draft={draft} set={set} error={error} glasses={catalogue.glasses} />
          <BeginPart choosing={choosing} error={error} begunAs={begunAs} onBegunAs={setBegunAs} />
          <TextField
            label={commonText.name}
            hint={newJarText.whatYouWillCallIt}
            value={draft.name}
            onChange={(event) => set({ name: event.target.value })}
            error={error("name")}
          />
          <NotSaved
            problems={problems}
            shown={[...SHOWN, ...codes, ...codes.map((code) => `choices.${code}`)]}
            title={newJarText.notPlannedYet}
          />
        </div>
        <Preview draft={rested} family={restedFamily} zone={zone} />
      </div>
      <div className="sticky bottom-0 bg-paper py-3">
        <InShort draft={rested} family={restedFamily} zone={zone} />
        <Button type="submit" look="act" disabled={busy} className="w-full sm:w-auto sm:px-10">
          {busy ? newJarText.planning : newJarText.putItOnTheShelf}
        </Button>
      </div>
    </form>
  );
}

/** Which way, held against the others, and what is chosen of it. */
function WayPart({
  catalogue,
  choosing,
  problems,
}: {
  readonly catalogue: Catalogue;
  readonly choosing: Choosing;
  readonly problems: readonly Problem[];
}) {
  const { draft, set, rested, restedFamily, family, chosen, choose, begin, origin, start } = choosing;
  const offered = useOffered(rested, restedFamily, origin, start);
  return (
    <>
      <FamilyChoice
        families={catalogue.families}
        value={family}
        origin={origin}
        offered={offered.data ?? []}
        start={start}
        onChange={begin}
      />
      <details>
        <summary className="min-h-11 py-2 font-semibold text-crust">{newJarText.sideBySideDaysWork}</summary>
        <SideBySide
          draft={rested}
          family={restedFamily}
          origin={origin}
          start={start}
          onScale={(hasScale) => set({ hasScale })}
          onChange={(code) => begin(code, origin)}
        />
      </details>
      <MethodFile family={family} own={draft.method} onUse={(method) => set({ method })} />
      {!draft.method && (
        <Options
          family={family}
          flours={catalogue.flours}
          chosen={chosen}
          choose={choose}
          problems={problems}
        />
      )}
    </>
  );
}

/** When it is mixed, or was; and when the baker is there. */
function BeginPart({
  choosing,
  error,
  begunAs,
  onBegunAs,
}: {
  readonly choosing: Choosing;
  readonly error: (...fields: string[]) => string | null;
  readonly begunAs: BegunAs;
  readonly onBegunAs: (as: BegunAs) => void;
}) {
  const { draft, set, zone, longAgo } = choosing;
  return (
    <>
      <WhenField
        label={commonText.firstMix}
        ahead
        value={draft.start}
        onChange={(start) => set({ start })}
        zone={zone}
        error={error("starts_at")}
      />
      {longAgo && (
        <Choice
          label={newJarText.whatWasDoneSince}
          items={BEGUN}
          value={begunAs}
          onChange={(next) => next && onBegunAs(next)}
        />
      )}
      <OtherStarts choosing={choosing} />
      <details>
        <summary className="min-h-11 py-2 font-semibold text-crust">{commonText.yourHours}</summary>
        <HoursPart />
      </details>
    </>
  );
}

function familyOf(families: readonly Family[], draft: JarDraft): Family {
  const found = families.find((family) => family.code === draft.family) ?? families[0];
  if (!found) throw new Error("there is no family");
  return found;
}
