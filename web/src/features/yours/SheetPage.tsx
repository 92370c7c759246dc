import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useId, useRef, useState } from "react";
import { askAgain } from "../../api/ask-again";
import { http } from "../../api/client";
import { keepSheet, readSheet } from "../../api/parcel";
import type { Flour, LevelUnit, OpenJar, Problem, SheetHow, SheetRead } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { homeZone } from "../../lib/time";
import { OfJar } from "../../parts/of-jar";
import { Button, ButtonLink } from "../../ui/button";
import { choiceItems } from "../../ui/choice";
import { Loading } from "../../ui/states";
import {
  commonText,
  DATE_ORDERS,
  FLOUR_WORDS,
  FORM_CHOICES,
  problemWords,
  SHEET_PARTS,
  sheetRowLine,
  sheetText,
  UNIT_NAMES,
} from "../../words";

/** A baker's own spreadsheet: its columns matched, what it says shown, kept as a whole and undone as one. */
export function SheetPage() {
  return <OfJar>{(opened) => <Bring opened={opened} />}</OfJar>;
}

function Bring({ opened }: { readonly opened: OpenJar }) {
  const { jar } = opened;
  useTitle(sheetText.title(jar.name));
  const queries = useQueryClient();
  const id = useId();
  const [file, setFile] = useState<File | null>(null);
  const [read, setRead] = useState<SheetRead | null>(null);
  // As it was picked; what is read so comes after it.
  const [how, setHow] = useState<SheetHow | null>(null);
  const newest = useRef(0);
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [kept, setKept] = useState<readonly string[]>([]);
  const [said, setSaid] = useState("");
  const ask = async (from: File, picked: SheetHow | null) => {
    newest.current += 1;
    const turn = newest.current;
    setHow(picked);
    setBusy(true);
    const { data, problems: found } = await readSheet(jar.id, from, picked);
    // Something else was picked meanwhile, and is asked about.
    if (turn !== newest.current) return;
    setBusy(false);
    setProblems(found);
    if (!data) return;
    setRead(data);
    setHow(data.how);
  };
  const choose = (next: File | undefined) => {
    setFile(next ?? null);
    setRead(null);
    setKept([]);
    setSaid("");
    if (next) void ask(next, null);
  };
  const change = (part: Partial<SheetHow>) => {
    if (file && how) void ask(file, { ...how, ...part });
  };
  const keep = async () => {
    if (!file || !read) return;
    setBusy(true);
    const { data, problems: found } = await keepSheet(jar.id, file, read.how);
    setBusy(false);
    setProblems(found);
    if (!data) return;
    setKept(data.entries);
    setSaid(sheetText.kept(data.entries.length));
    await askAgain(queries);
    await ask(file, read.how);
  };
  const undo = async () => {
    const { data, error } = await http.POST("/api/spreadsheet/undo", { body: { entries: [...kept] } });
    if (error) return setProblems(error.errors);
    setKept([]);
    setSaid(sheetText.undone(data.undone));
    await askAgain(queries);
  };
  const fresh = read?.rows.filter(({ entry, problem, there }) => entry && !problem && !there).length ?? 0;
  return (
    <article className="flex flex-col gap-6 pt-6">
      <h1 className="text-3xl">{sheetText.title(jar.name)}</h1>
      <p className="max-w-prose">{sheetText.how}</p>
      <div className="flex flex-col items-start gap-2">
        <label htmlFor={id} className="font-semibold">
          {sheetText.theFile}
        </label>
        <input
          id={id}
          type="file"
          accept=".csv,.tsv,.txt,.xlsx"
          className="max-w-full file:me-4 file:min-h-11 file:rounded-lg file:border file:border-edge file:bg-card file:px-4 file:font-semibold file:text-ink"
          onChange={(event) => choose(event.target.files?.[0])}
        />
      </div>
      {problems.length > 0 && (
        <p role="alert" className="font-semibold text-alarm">
          {problems.map(problemWords).join(" ")}
        </p>
      )}
      {busy && !read && <Loading what={sheetText.lookingAtIt} />}
      {read && (
        <>
          <Columns read={read} how={how ?? read.how} onChange={change} />
          <section aria-labelledby="says" aria-busy={busy} className="flex max-w-3xl flex-col gap-3">
            <h2 id="says" className="text-2xl">
              {sheetText.whatItSays}
            </h2>
            {read.rows.length === 0 && <p>{sheetText.noRows}</p>}
            <ul>
              {read.rows.map((row) => (
                <li key={row.row} className="flex gap-4 border-b border-rule py-1.5">
                  <span className="w-20 shrink-0 text-soft">{sheetText.row(row.row)}</span>
                  <span dir="auto" className={row.problem ? "font-semibold text-alarm" : ""}>
                    {sheetRowLine(row, nowMs(), homeZone())}
                    {row.there && <span className="text-soft"> ({sheetText.there})</span>}
                  </span>
                </li>
              ))}
            </ul>
            <div className="flex flex-wrap items-center gap-3" aria-live="polite">
              {/* What was kept can be undone where it stands, also when nothing is left to keep. */}
              {said && <span className="font-semibold">{said}</span>}
              {kept.length > 0 && <Button onClick={() => void undo()}>{sheetText.undoAll}</Button>}
              {fresh > 0 && (
                <Button look="act" disabled={busy} onClick={() => void keep()}>
                  {sheetText.keep(fresh)}
                </Button>
              )}
            </div>
          </section>
        </>
      )}
      <ButtonLink look="plain" to={`/jars/${jar.id}`} className="-ms-3 self-start">
        {commonText.backTo(jar.name)}
      </ButtonLink>
    </article>
  );
}

const LEVELS = choiceItems(UNIT_NAMES);
const PARTS = choiceItems(SHEET_PARTS);

function Columns({
  read: { heads, samples },
  how,
  onChange,
}: {
  readonly read: SheetRead;
  readonly how: SheetHow;
  readonly onChange: (part: Partial<SheetHow>) => void;
}) {
  const holds = (place: number) => PARTS.find(({ value }) => how.columns[value] === place)?.value ?? "";
  const match = (place: number, part: string) => {
    const others = Object.entries(how.columns).filter(([name, column]) => column !== place && name !== part);
    const columns = Object.fromEntries(part ? [...others, [part, place]] : others) as SheetHow["columns"];
    onChange({ columns });
  };
  return (
    <section aria-labelledby="columns" className="flex flex-col gap-4">
      <h2 id="columns" className="text-2xl">
        {sheetText.columns}
      </h2>
      <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2 lg:grid-cols-3">
        {heads.map((head, place) => (
          <Pick
            // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other name
            key={place}
            label={head || String(place + 1)}
            hint={(samples[place] ?? []).filter(Boolean).join(" · ")}
            value={holds(place)}
            onPick={(part) => match(place, part)}
          >
            <option value="">{sheetText.nothing}</option>
            {PARTS.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </Pick>
        ))}
      </div>
      <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
        <Pick
          label={sheetText.dates}
          value={how.dates}
          onPick={(dates) => onChange({ dates: dates as SheetHow["dates"] })}
        >
          <Options items={choiceItems(DATE_ORDERS)} />
        </Pick>
        <Pick
          label={sheetText.levels}
          value={how.level}
          onPick={(level) => onChange({ level: level as LevelUnit })}
        >
          <Options items={LEVELS} />
        </Pick>
        <Pick
          label={sheetText.warmth}
          value={how.warmth}
          onPick={(warmth) => onChange({ warmth: warmth as SheetHow["warmth"] })}
        >
          <Options items={FORM_CHOICES.warmth} />
        </Pick>
        <Pick
          label={sheetText.flour}
          value={how.flour}
          onPick={(flour) => onChange({ flour: flour as Flour })}
        >
          <Options items={choiceItems(FLOUR_WORDS)} />
        </Pick>
      </div>
    </section>
  );
}

function Options({
  items,
}: {
  readonly items: readonly { readonly value: string; readonly label: string }[];
}) {
  return items.map(({ value, label }) => (
    <option key={value} value={value}>
      {label}
    </option>
  ));
}

function Pick({
  label,
  hint,
  value,
  onPick,
  children,
}: {
  readonly label: string;
  readonly hint?: string;
  readonly value: string;
  readonly onPick: (value: string) => void;
  readonly children: ReactNode;
}) {
  const id = useId();
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <label htmlFor={id} dir="auto" className="font-semibold">
        {label}
      </label>
      <select
        id={id}
        className="min-h-11 w-full rounded-lg border border-edge bg-card px-3 text-base text-ink"
        value={value}
        onChange={(event) => onPick(event.target.value)}
      >
        {children}
      </select>
      {hint && (
        <p dir="auto" className="truncate text-sm text-soft">
          {hint}
        </p>
      )}
    </div>
  );
}
