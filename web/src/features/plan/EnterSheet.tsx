import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { api, http } from "../../api/client";
import type { FeedBody, FeedPlan, LookBody, OpenJar, Problem } from "../../api/types";
import { recordEntry } from "../../api/writes";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { newId } from "../../lib/ids";
import { asSent } from "../../lib/numbers";
import { useDraft } from "../../lib/store";
import { fromField, toField } from "../../lib/time";
import { OfJar } from "../../parts/of-jar";
import { Button, ButtonLink } from "../../ui/button";
import { NumberField, TextField } from "../../ui/field";
import { Trouble } from "../../ui/states";
import { useSay } from "../../ui/toast";
import { commonText, enterText, fieldWords, problemWords } from "../../words";

type Row = {
  readonly id: string;
  readonly at: string;
  readonly level: string;
  readonly fed: boolean;
  readonly note: string;
};

/** A sheet that was written by hand, row by row: when, how high, whether it was fed, and what else was written. */
export function EnterSheetPage() {
  return <OfJar>{(opened) => <Enter opened={opened} />}</OfJar>;
}

function emptyRow(zone: string): Row {
  return { id: newId(), at: toField(nowMs(), zone), level: "", fed: false, note: "" };
}

function Enter({ opened }: { readonly opened: OpenJar }) {
  const { jar, time_zone: zone } = opened;
  const title = enterText.aWrittenSheetOf(jar.name);
  useTitle(title);
  const [rows, setRows, clear] = useDraft<readonly Row[]>(`sheet.${jar.id}`, () => [emptyRow(zone)]);
  const { busy, fault, save } = useSaving(opened, title, (left) => setRows(left));
  const say = useSay();
  const navigate = useNavigate();
  const set = (id: string, part: Partial<Row>) =>
    setRows(rows.map((row) => (row.id === id ? { ...row, ...part } : row)));
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const written = await save(rows);
    if (written === null) return;
    clear();
    say(enterText.written(written));
    await navigate(`/jars/${jar.id}`);
  };
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="flex max-w-4xl flex-col gap-5 pt-6">
      <h1 className="text-3xl">{title}</h1>
      <p className="text-soft">{enterText.aRowForEach}</p>
      <ol className="flex flex-col gap-4">
        {rows.map((row) => (
          <li
            key={row.id}
            className="grid grid-cols-2 items-end gap-3 border-b border-rule pb-4 sm:grid-cols-[14rem_7rem_8rem_1fr]"
          >
            <TextField
              label={commonText.when}
              type="datetime-local"
              value={row.at}
              onChange={(event) => set(row.id, { at: event.target.value })}
              error={faultOf(fault, row.id, "at")}
            />
            <NumberField
              label={enterText.level}
              unit="×"
              value={row.level}
              onText={(text) => set(row.id, { level: text })}
              error={faultOf(fault, row.id, "level")}
            />
            <label className="flex min-h-11 items-center gap-2 font-semibold">
              <input
                type="checkbox"
                checked={row.fed}
                onChange={(event) => set(row.id, { fed: event.target.checked })}
                className="size-6 accent-crust"
              />
              {enterText.fedThen}
            </label>
            <TextField
              label={commonText.note}
              value={row.note}
              onChange={(event) => set(row.id, { note: event.target.value })}
            />
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => setRows([...rows, emptyRow(zone)])}>{enterText.anotherRow}</Button>
        {rows.length > 1 && (
          <Button look="plain" onClick={() => setRows(rows.slice(0, -1))}>
            {enterText.oneRowLess}
          </Button>
        )}
      </div>
      {fault && (
        <Trouble>
          <strong>{commonText.notSavedYet}</strong>{" "}
          {fault.problems.map((one) => `${fieldWords(one.field)}: ${problemWords(one)}`).join(" ")}{" "}
          {enterText.thoseAbove}
        </Trouble>
      )}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" look="act" disabled={busy}>
          {busy ? commonText.saving : enterText.writeThemDown}
        </Button>
        <ButtonLink look="plain" to={`/jars/${jar.id}/plan`}>
          {commonText.backTo(jar.name)}
        </ButtonLink>
      </div>
    </form>
  );
}

type Fault = { readonly row: string; readonly problems: readonly Problem[] };

function faultOf(fault: Fault | null, row: string, field: string): string | null {
  const one = fault?.row === row ? fault.problems.find((problem) => problem.field === field) : undefined;
  return one ? problemWords(one) : null;
}

/** Row by row in their order of time: what was taken leaves the form, and the first that was not stops it. */
function useSaving(opened: OpenJar, label: string, onLeft: (left: readonly Row[]) => void) {
  const { jar, time_zone: zone } = opened;
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<Fault | null>(null);
  const now = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jar.id } } });
  const reopen = { path: `/jars/${jar.id}/sheet`, draft: `sheet.${jar.id}`, value: [] };
  const record = (entry: Parameters<typeof recordEntry>[3], seen: string | null) =>
    recordEntry(jar.id, newId(), seen, entry, label, reopen);
  const one = async (row: Row): Promise<readonly Problem[]> => {
    const at = fromField(row.at, zone) ?? row.at;
    if (row.level !== "" || !row.fed) {
      const look: LookBody = {
        kind: "look",
        at,
        level: row.level === "" ? null : { value: asSent(row.level) ?? 0, unit: "times" },
        bubbles: null,
        top: [],
        smell: [],
        thickness: null,
        note: row.note,
      };
      const outcome = await record(look, null);
      if (outcome.kind === "refused") return outcome.problems;
    }
    if (!row.fed) return [];
    // What the plan asked for by then stands in the jar as it is told now.
    const { data } = await http.GET("/api/jars/{jar_id}", { params: { path: { jar_id: jar.id } } });
    const plan = data?.sheet?.plan;
    if (!data || !plan) return [];
    const outcome = await record(
      fedAsPlanned(plan, at, row.note),
      data.assessment.since_feed?.feed_id ?? null,
    );
    return outcome.kind === "refused" ? outcome.problems : [];
  };
  const save = async (rows: readonly Row[]): Promise<number | null> => {
    setBusy(true);
    setFault(null);
    const inOrder = [...rows].sort((a, b) => a.at.localeCompare(b.at));
    for (const [index, row] of inOrder.entries()) {
      const problems = await one(row);
      if (problems.length > 0) {
        setBusy(false);
        onLeft(inOrder.slice(index));
        setFault({ row: row.id, problems });
        return null;
      }
    }
    setBusy(false);
    await now.refetch();
    return inOrder.length;
  };
  return { busy, fault, save };
}

function fedAsPlanned(plan: FeedPlan, at: string, note: string): FeedBody {
  return {
    kind: "feed",
    at,
    keep_g: plan.keep_g,
    flours: [...plan.flours],
    water_g: plan.water_g,
    juice_g: plan.juice_g,
    salt_g: plan.salt_g,
    line_mm: null,
    discard_to: null,
    note,
  };
}
