import { type FormEvent, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api } from "../../api/client";
import type { BegunAs, Catalogue, FamilyCode, Jar, NewJar, Origin, Problem } from "../../api/types";
import { beginTrial, planJar } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { list } from "../../lib/numbers";
import { useDraft } from "../../lib/store";
import { HoursPart } from "../../parts/hours";
import { NotSaved } from "../../parts/not-saved";
import { useStations } from "../../parts/place";
import { Button } from "../../ui/button";
import { Choice } from "../../ui/choice";
import { TextField } from "../../ui/field";
import { Loading, OutOfReach } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { WhenField } from "../../ui/when-field";
import { commonText, newJarText, OPTION_WORDS, problemAt, severalText, trialText } from "../../words";
import { apartFrom } from "./apart";
import { Line, Usual } from "./Board";
import { type Choosing, useChosen } from "./choosing";
import { begunFrom, draftLike, type JarDraft, jarOf, newDraft } from "./draft";
import { FamilyChoice } from "./Family";
import { Led } from "./Led";
import { MethodFile } from "./MethodFile";
import { Options } from "./Options";
import { OtherStarts } from "./OtherStarts";
import { InShort, Preview } from "./Preview";
import { Several, useValueNames } from "./Several";
import { SideBySide } from "./SideBySide";
import { noSeveral, othersOf, type SeveralDraft, valuesOf } from "./several";

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

const DRAFT_KEY = "new-jar.9";

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
  const from = search.get("from");
  const fresh = newDraft(catalogue.data);
  const begun = model.data
    ? draftLike(model.data.jar, catalogue.data)
    : from
      ? begunFrom(fresh, catalogue.data, from as Origin)
      : fresh;
  const draftKey = [DRAFT_KEY, like ?? from].filter(Boolean).join(".");
  const led = like === null && !search.has("all");
  const plain = model.data && search.has("beside") ? model.data.jar : null;
  const several = search.has("several");
  return (
    <NewJarForm
      key={draftKey}
      draftKey={draftKey}
      catalogue={catalogue.data}
      begun={begun}
      led={led}
      plain={plain}
      severalFirst={several}
    />
  );
}

/** Puts the jar on the shelf, or several at once; one that was begun some time ago with what was done since. */
function usePlanning(
  { draft, zone, longAgo, clear, origin }: Choosing,
  { families }: Catalogue,
  begunAs: BegunAs,
  draftKey: string,
  led: boolean,
  plain: Jar | null,
  clearSeveral: () => void,
) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const say = useSay();
  const stations = useStations();
  const newJar = (one: JarDraft): NewJar => {
    // A thermometer that was withdrawn since, as a jar begun again may have, is left out.
    const station = stations.data?.find(({ id }) => id === one.thermometer);
    const family = families.find(({ code }) => code === one.family);
    if (!family) throw new Error(`there is no family ${one.family}`);
    return {
      ...jarOf(one, family, nowMs(), zone),
      thermometer: station?.id ?? null,
      begun: longAgo ? begunAs : null,
    };
  };
  /** `others` stand beside it, each with its one difference. */
  const save = async (several: SeveralDraft, others: readonly JarDraft[], name: string) => {
    setBusy(true);
    setProblems([]);
    const jar = newJar(draft);
    const reopen = { path: led ? "/new" : "/new?all=1", draft: draftKey, value: draft };
    const yeast = several.differs === "yeast";
    const trial = {
      id: several.trial,
      name: (plain ? trialText.named([plain.name, jar.name]) : name).slice(0, 60),
      jars: [
        ...(plain ? [{ jar: plain.id, yeast: false }] : []),
        { new: jar, yeast: false },
        ...others.map((one) => ({ new: newJar(one), yeast })),
      ],
    };
    const alone = trial.jars.length === 1;
    const outcome = alone
      ? await planJar(jar, commonText.newJarNamed(jar.name), reopen)
      : await beginTrial(trial, trialText.beginning(trial.name), reopen);
    setBusy(false);
    if (outcome.kind === "refused") {
      setProblems(outcome.problems.map((one) => ofForm(one, plain ? 1 : 0)));
      return;
    }
    clear();
    clearSeveral();
    if (outcome.kind === "waiting") say(commonText.keptOnThisDeviceIt);
    const shelf = alone ? `/?jar=${draft.id}` : `/trials/${several.trial}`;
    const planned = led && origin === "asleep" ? `/jars/${draft.id}/bake` : shelf;
    await navigate(outcome.kind === "waiting" ? "/" : planned);
  };
  return { problems, busy, save };
}

/** What is wrong with the jar of the form stands at its fields, as if it were the only one. */
function ofForm(problem: Problem, place: number): Problem {
  const own = `jars.${place}.`;
  return problem.field.startsWith(own) ? { ...problem, field: problem.field.slice(own.length) } : problem;
}

const OF_OTHERS = /^jars\.\d+\./;

function NewJarForm({
  catalogue,
  begun,
  draftKey,
  led,
  plain,
  severalFirst,
}: {
  /** Whether the baker came to set up several jars. */
  readonly severalFirst: boolean;
  /** The jar beside which it is to stand, to differ from it in one thing. */
  readonly plain: Jar | null;
  /** One question a screen. */
  readonly led: boolean;
  readonly catalogue: Catalogue;
  /** What the form begins with: the usual, a jar's set-up again, or a way to wake. */
  readonly begun: JarDraft;
  readonly draftKey: string;
}) {
  const choosing = useChosen(catalogue, draftKey, begun);
  const { draft, set, rested, restedFamily, family, zone } = choosing;
  const [begunAs, setBegunAs] = useState<BegunAs>("fed");
  const [several, setSeveral, clearSeveral] = useDraft<SeveralDraft>(`${draftKey}.several`, noSeveral);
  const nameOf = useValueNames(choosing, several);
  const others = plain || led ? [] : othersOf(draft, catalogue.families, several, nameOf);
  const { problems, busy, save } = usePlanning(
    choosing,
    catalogue,
    begunAs,
    draftKey,
    led,
    plain,
    clearSeveral,
  );
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const said = [draft.name, ...valuesOf(several).map(nameOf)].join(" · ");
    await save(several, others, said);
  };
  const error = (...fields: string[]) => problemAt(problems, ...fields);
  const codes: string[] = family.options.map((option) => option.code);
  if (led)
    return (
      <form onSubmit={(event) => void submit(event)} noValidate className="pt-6">
        <h1 className="text-xl text-soft">{newJarText.aNewJar}</h1>
        <Led catalogue={catalogue} choosing={choosing} problems={problems} busy={busy} allHref="?all=1" />
      </form>
    );
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="pt-6">
      <h1 className="text-3xl">{plain ? newJarText.oneBeside(plain.name) : newJarText.aNewJar}</h1>
      {plain && <Apart plain={plain} begun={begun} draft={draft} />}
      <div className="mt-6 grid gap-10 md:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-6">
          <WayPart catalogue={catalogue} choosing={choosing} problems={problems} />
          <Usual catalogue={catalogue} draft={draft} set={set} error={error} />
          <BeginPart choosing={choosing} error={error} begunAs={begunAs} onBegunAs={setBegunAs} />
          <TextField
            label={commonText.name}
            hint={newJarText.whatYouWillCallIt}
            value={draft.name}
            onChange={(event) => set({ name: event.target.value })}
            error={error("name")}
          />
          {!plain && (
            <Several
              {...{ catalogue, choosing, several }}
              set={setSeveral}
              problems={problems.filter(({ field }) => OF_OTHERS.test(field))}
              open={severalFirst}
            />
          )}
          <NotSaved
            problems={problems.filter(({ field }) => !OF_OTHERS.test(field))}
            shown={[...SHOWN, ...codes, ...codes.map((code) => `choices.${code}`)]}
            title={newJarText.notPlannedYet}
          />
        </div>
        <Preview draft={rested} family={restedFamily} zone={zone} set={set} />
      </div>
      <div className="sticky bottom-0 bg-paper py-3">
        <InShort draft={rested} family={restedFamily} zone={zone} />
        <Button type="submit" look="act" disabled={busy} className="w-full sm:w-auto sm:px-10">
          {busy
            ? newJarText.planning
            : others.length > 0
              ? severalText.putThemOnTheShelf(others.length + 1)
              : newJarText.putItOnTheShelf}
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
  const { draft, set, restedFamily, family, chosen, choose, begin, origin, start } = choosing;
  const take = (code: FamilyCode, at: Origin) => set({ ...begin(code, at), wayChosen: true });
  return (
    <>
      <FamilyChoice
        families={catalogue.families}
        value={family}
        origin={origin}
        offered={choosing.offered.data ?? []}
        start={start}
        onChange={take}
      />
      <details>
        <summary className="min-h-11 py-2 font-semibold text-crust">{newJarText.sideBySideDaysWork}</summary>
        <SideBySide
          found={choosing.offered}
          family={restedFamily}
          start={start}
          hasScale={draft.hasScale}
          onScale={(hasScale) => set({ hasScale })}
          onChange={(code) => take(code, origin)}
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
      <Line label={commonText.yourHours} said="" open={false}>
        <HoursPart />
      </Line>
    </>
  );
}

/** One thing apart is what can be learnt from; what it is stands there while it is chosen. */
function Apart({
  plain,
  begun,
  draft,
}: {
  readonly plain: Jar;
  readonly begun: JarDraft;
  readonly draft: JarDraft;
}) {
  const named = apartFrom(begun, draft).map((one) => {
    if (one === "warmth") return commonText.warmth;
    return one === "jar" ? commonText.jar : OPTION_WORDS[one].label;
  });
  return (
    <p aria-live="polite" className="mt-2 text-lg">
      {named.length === 0
        ? newJarText.nothingApartYet(plain.name)
        : named.length === 1
          ? newJarText.apartIn(named.join(), plain.name)
          : newJarText.apartInMore(list(named), plain.name)}
    </p>
  );
}
