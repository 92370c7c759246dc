import type { FormEvent } from "react";
import { useSearchParams } from "react-router";
import type { Flour, NewJar, OpenJar, PutBackBody, UseBody, UsedFor } from "../../api/types";
import { beginTrial, planJar } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { asSent } from "../../lib/numbers";
import { useDraft } from "../../lib/store";
import { momentOf, NOW, type When } from "../../lib/when";
import { RecordEnd } from "../../parts/log-form";
import { OfJar } from "../../parts/of-jar";
import { useRecording } from "../../parts/recording";
import { ButtonLink } from "../../ui/button";
import { Choice, Choices } from "../../ui/choice";
import { NumberField, TextField } from "../../ui/field";
import {
  commonText,
  FLOUR_WORDS,
  lifeText,
  problemAt,
  termWords,
  trialText,
  USED_FOR_WORDS,
} from "../../words";

// What goes into the discard jar comes of a feed, or of the end of a jar.
const USES = (Object.keys(USED_FOR_WORDS) as UsedFor[]).filter((one) => one !== "discard_jar");
/** Of these a jar of its own comes. */
const OWN_JAR: ReadonlySet<UsedFor> = new Set(["spare", "split"]);
const USUAL_G: Partial<Record<UsedFor, string>> = { spare: "20", gift: "25", flakes: "30", split: "30" };

type Difference = "nothing" | "flour" | "ratio" | "place";

const DIFFERENCES = (Object.keys(lifeText.differs) as Difference[]).map((value) => ({
  value,
  label: lifeText.differs[value],
}));
const ratioName = (parts: string | number) => `1:${parts}:${parts}`;
const RATIOS = [1, 2, 5].map((parts) => ({ value: String(parts), label: ratioName(parts) }));
const MOST_SPLITS = 3;

type Draft = {
  readonly usedFor: UsedFor;
  readonly differs: Difference;
  /** What each jar that is split off has otherwise; of a place one, as typed. */
  readonly flours: readonly Flour[];
  readonly ratios: readonly string[];
  readonly warmth: string;
  /** For each of them. */
  readonly g: string;
  readonly name: string;
  readonly when: When;
  readonly note: string;
  /** Of the jars that come of it, and of the trial that they are with the jar itself. */
  readonly ids: readonly [string, string, string];
  readonly trial: string;
};

/** What one jar that is split off has otherwise. */
type Otherwise = { readonly flour?: Flour; readonly ratio?: string };

function otherwiseOf(draft: Draft): Otherwise[] {
  if (draft.usedFor !== "split") return [{}];
  const several = {
    flour: draft.flours.map((flour) => ({ flour })),
    ratio: draft.ratios.map((ratio) => ({ ratio })),
    nothing: [{}],
    place: [{}],
  }[draft.differs];
  return several.length > 0 ? several : [{}];
}

/** Some of it is taken out: for a dough, as a gift, a spare, flakes, another jar. Or a levain goes back into it. */
export function PartPage() {
  const [search] = useSearchParams();
  const back = search.get("for") === "back";
  const asked = USES.find((one) => one === search.get("for")) ?? "dough";
  return (
    <OfJar>{(opened) => (back ? <Back opened={opened} /> : <Take opened={opened} asked={asked} />)}</OfJar>
  );
}

/** The jar that comes of a spare or a split: fed by the jar's own flour, and kept in the fridge. */
function jarOf(opened: OpenJar, draft: Draft, at: string, number: number, otherwise: Otherwise): NewJar {
  const { jar, assessment } = opened;
  const { stands, in_jar: held } = assessment;
  const blend = Object.fromEntries((held?.flours ?? []).map((part) => [part.flour, part.g]));
  const spare = draft.usedFor === "spare";
  const seed = asSent(draft.g) ?? 20;
  // A split differs in one thing, so that what comes of it can be told.
  const elsewhere = !spare && draft.differs === "place";
  const flours = otherwise.flour ? { [otherwise.flour]: 1 } : blend;
  const alone = otherwiseOf(draft).length === 1;
  const named = draft.name.trim() || (alone ? lifeText.asItsOwnJar(jar.name) : jar.name);
  return {
    id: draft.ids[number] ?? newId(),
    name: alone ? named : `${named}, ${otherwiseName(otherwise)}`,
    family: "wake_and_keep",
    method: null,
    choices: {
      way: spare ? "fridge" : "counter",
      seed_grams: seed,
      flour_parts: otherwise.ratio ? Number(otherwise.ratio) : 1,
      ...(spare ? { cold_days: 28 } : {}),
      ...(Object.keys(flours).length > 0 ? { blend: flours } : {}),
    },
    tare_g: stands.vessel.tare_g,
    volume_ml: stands.vessel.volume_ml,
    height_mm: stands.vessel.height_mm,
    flare: stands.vessel.flare,
    scale_step: jar.scale_step,
    size: 1,
    warmth_c: elsewhere ? (asSent(draft.warmth) ?? stands.warmth_c) : stands.warmth_c,
    night_c: elsewhere ? null : stands.night_c,
    ready_after: jar.ready_after,
    by_earlier_jars: true,
    starts_at: at,
    mother: jar.id,
    came_by: draft.usedFor,
  };
}

function otherwiseName({ flour, ratio }: Otherwise): string {
  return flour ? FLOUR_WORDS[flour] : ratio ? ratioName(ratio) : "";
}

function Take({ opened, asked }: { readonly opened: OpenJar; readonly asked: UsedFor }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  const title = lifeText.takeSomeOf(jar.name);
  useTitle(title);
  const [bake] = assessment.bakes;
  const [search] = useSearchParams();
  const carried = search.get("g");
  const key = carried ? `part.2.${jar.id}.${carried}` : `part.2.${jar.id}`;
  const [draft, setDraft, clear] = useDraft<Draft>(key, () => ({
    usedFor: asked,
    differs: "nothing",
    flours: [],
    ratios: [],
    warmth: "",
    g: carried ?? (bake && asked === "dough" ? String(bake.grams) : (USUAL_G[asked] ?? "")),
    name: "",
    when: NOW,
    note: "",
    ids: [newId(), newId(), newId()],
    trial: newId(),
  }));
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
  const kept = { path: `/jars/${jar.id}/part`, key, clear, draft };
  const { problems, busy, record } = useRecording(opened, title, kept);
  const own = OWN_JAR.has(draft.usedFor);
  const save = (event: FormEvent) => {
    event.preventDefault();
    const at = momentOf(draft.when, nowMs(), zone);
    const others = own ? otherwiseOf(draft) : [];
    const each = asSent(draft.g);
    const body: UseBody = {
      kind: "use",
      at,
      g: each === null ? (null as unknown as number) : each * Math.max(1, others.length),
      used_for: draft.usedFor,
      bake: draft.usedFor === "dough" ? (bake?.id ?? null) : null,
      note: draft.note,
    };
    const told = termWords(body, now, zone);
    const daughters = others.map((one, number) => jarOf(opened, draft, at, number, one));
    const [daughter] = daughters;
    const tried = draft.usedFor === "split" && draft.differs !== "nothing";
    const setUp = async () => {
      if (!daughter) return null;
      if (!tried) {
        const made = await planJar(daughter, commonText.newJarNamed(daughter.name), null);
        return made.kind === "saved" ? `/jars/${daughter.id}` : null;
      }
      // Two or more are held against each other, one alone against the jar that it came out of.
      const names = [...(daughters.length > 1 ? [] : [jar.name]), ...daughters.map((one) => one.name)];
      const name = trialText.named(names).slice(0, 60);
      const jars = [
        ...(daughters.length > 1 ? [] : [{ jar: jar.id, yeast: false }]),
        ...daughters.map((one) => ({ new: one, yeast: false })),
      ];
      const made = await beginTrial({ id: draft.trial, name, jars }, trialText.beginning(name), null);
      return made.kind === "saved" ? `/trials/${draft.trial}` : null;
    };
    void record(
      body,
      daughter
        ? lifeText.madeAndNoted(daughters.map((one) => one.name).join(", "))
        : `${told.title}: ${told.line}.`,
      setUp,
    );
  };
  return (
    <form noValidate className="flex max-w-2xl flex-col gap-6 pt-6" onSubmit={save}>
      <div>
        <h1 className="text-3xl">{title}</h1>
        <p className="mt-1 text-soft">{lifeText.takenOutIsNoDiscard}</p>
        <ButtonLink look="plain" to={`/jars/${jar.id}/part?for=back`} className="-ms-3">
          {lifeText.putSomeBack}
        </ButtonLink>
      </div>
      <Choice
        label={lifeText.whatFor}
        items={USES.map((value) => ({ value, label: USED_FOR_WORDS[value] }))}
        value={draft.usedFor}
        onChange={(usedFor) => usedFor && set({ usedFor, g: draft.g || (USUAL_G[usedFor] ?? "") })}
      />
      <ol className="list-decimal ps-6">
        {lifeText.forIt[draft.usedFor].map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      {draft.usedFor === "gift" && (
        <a
          href={`/api/jars/${jar.id}/card.pdf?kind=gift`}
          target="_blank"
          rel="noreferrer"
          className="inline-flex min-h-11 items-center self-start font-semibold text-crust underline-offset-4 hover:underline"
        >
          {lifeText.cardForTheGift}
        </a>
      )}
      <div className="grid gap-4 sm:grid-cols-2">
        <NumberField
          label={lifeText.howMuch}
          unit="g"
          value={draft.g}
          onText={(text) => set({ g: text })}
          error={problemAt(problems, "g")}
        />
        {own && (
          <TextField
            label={lifeText.nameOfTheJar}
            value={draft.name}
            placeholder={lifeText.asItsOwnJar(jar.name)}
            onChange={(event) => set({ name: event.target.value })}
            error={problemAt(problems, "name")}
          />
        )}
      </div>
      {draft.usedFor === "split" && (
        <Differs draft={draft} set={set} error={problemAt(problems, "warmth_c")} />
      )}
      <RecordEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={set}
        problems={problems}
        shown={["g", "name", "warmth_c", "at", "note"]}
        busy={busy}
        yes={lifeText.noteIt}
      />
    </form>
  );
}

/** The one thing in which a split differs. */
function Differs({
  draft,
  set,
  error,
}: {
  readonly draft: Draft;
  readonly set: (part: Partial<Draft>) => void;
  readonly error: string | null;
}) {
  return (
    <>
      <Choice
        label={lifeText.whatDiffers}
        items={DIFFERENCES}
        value={draft.differs}
        onChange={(differs) => differs && set({ differs })}
      />
      {draft.differs === "flour" && (
        <Choices
          label={lifeText.kindOfFlour}
          items={FLOURS}
          value={draft.flours}
          onChange={(flours) => set({ flours: flours.slice(-MOST_SPLITS) })}
        />
      )}
      {draft.differs === "ratio" && (
        <Choices
          label={lifeText.flourToSeed}
          items={RATIOS}
          value={draft.ratios}
          onChange={(ratios) => set({ ratios: ratios.slice(-MOST_SPLITS) })}
        />
      )}
      {draft.differs === "place" && (
        <div className="max-w-64">
          <NumberField
            label={commonText.warmth}
            unit="°C"
            value={draft.warmth}
            onText={(text) => set({ warmth: text })}
            error={error}
          />
        </div>
      )}
    </>
  );
}

const FLOURS = (Object.keys(FLOUR_WORDS) as Flour[]).map((value) => ({ value, label: FLOUR_WORDS[value] }));

type BackDraft = {
  readonly flour: Flour;
  readonly flourG: string;
  readonly waterG: string;
  readonly when: When;
  readonly note: string;
};

function Back({ opened }: { readonly opened: OpenJar }) {
  const { jar, assessment, now, time_zone: zone } = opened;
  const title = lifeText.putBackOf(jar.name);
  useTitle(title);
  const key = `back.${jar.id}`;
  const [draft, setDraft, clear] = useDraft<BackDraft>(key, () => ({
    flour: assessment.in_jar?.flours[0]?.flour ?? "white",
    flourG: "",
    waterG: "",
    when: NOW,
    note: "",
  }));
  const set = (part: Partial<BackDraft>) => setDraft({ ...draft, ...part });
  const kept = { path: `/jars/${jar.id}/part?for=back`, key, clear, draft };
  const { problems, busy, record } = useRecording(opened, title, kept);
  const save = (event: FormEvent) => {
    event.preventDefault();
    const body: PutBackBody = {
      kind: "put_back",
      at: momentOf(draft.when, nowMs(), zone),
      flours: [{ flour: draft.flour, g: asSent(draft.flourG) ?? (null as unknown as number) }],
      water_g: asSent(draft.waterG) ?? (null as unknown as number),
      note: draft.note,
    };
    const told = termWords(body, now, zone);
    void record(body, `${told.title}: ${told.line}.`);
  };
  const flourField = `flours.${draft.flour}`;
  return (
    <form noValidate className="flex max-w-2xl flex-col gap-6 pt-6" onSubmit={save}>
      <h1 className="text-3xl">{title}</h1>
      <Choice
        label={lifeText.kindOfFlour}
        items={FLOURS}
        value={draft.flour}
        onChange={(flour) => flour && set({ flour })}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <NumberField
          label={lifeText.ofFlour}
          unit="g"
          value={draft.flourG}
          onText={(text) => set({ flourG: text })}
          error={problemAt(problems, flourField) ?? problemAt(problems, "flours.0.g")}
        />
        <NumberField
          label={lifeText.ofWater}
          unit="g"
          value={draft.waterG}
          onText={(text) => set({ waterG: text })}
          error={problemAt(problems, "water_g")}
        />
      </div>
      <RecordEnd
        jarId={jar.id}
        zone={zone}
        draft={draft}
        set={set}
        problems={problems}
        shown={[flourField, "flours.0.g", "water_g", "at", "note"]}
        busy={busy}
        yes={lifeText.noteIt}
      />
    </form>
  );
}
