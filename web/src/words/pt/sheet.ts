/** A folha de cálculo do próprio padeiro, a caminho do diário de um frasco. */
import type { SheetPart } from "../../api/types";
import { when } from "../../lib/time";
import type * as en from "../en/sheet";
import type { Spoken } from "../spoken";
import { expectedWords } from "./expected";
import { lookLine } from "./looks";
import { problemWords } from "./problems";
import { fedLine } from "./quick";

export const sheetText: Spoken<typeof en.sheetText> = {
  bringASheet: "Trazer uma folha de cálculo",
  title: (name) => `Uma folha de cálculo para ${name}`,
  how: "CSV ou XLSX, com a primeira linha a dar nome às colunas. Nada se escreve antes de ver o que lá está.",
  theFile: "O ficheiro",
  columns: "O que está em cada coluna",
  nothing: "nada daqui",
  dates: "As datas estão escritas",
  levels: "Os níveis estão em",
  warmth: "A temperatura está em",
  flour: "Os refrescos são de",
  whatItSays: "O que diz",
  noRows: "Ainda nenhuma linha diz nada. Indique as colunas da data e do que se viu ou se deu.",
  keep: (count) => (count === 1 ? "Guardar esta linha" : `Guardar estas ${count} linhas`),
  kept: (count) => (count === 1 ? "Uma linha está no diário." : `${count} linhas estão no diário.`),
  undoAll: "Desfazer tudo",
  undone: (count) => `${count} desfeitas.`,
  row: (row) => `Linha ${row}`,
  there: "já tinha sido trazida",
  lookingAtIt: "A ler",
};

export const SHEET_PARTS: typeof en.SHEET_PARTS = {
  when: "data e hora",
  date: "data",
  time: "hora",
  what: "o que se fez",
  level: "nível",
  warmth: "temperatura",
  ph: "pH",
  keep: "guardado, g",
  flour: "farinha, g",
  water: "água, g",
  note: "nota",
};

export const DATE_ORDERS: typeof en.DATE_ORDERS = {
  dmy: "dia, mês, ano",
  mdy: "mês, dia, ano",
  ymd: "ano, mês, dia",
};

export const sheetRowLine: typeof en.sheetRowLine = (row, now, zone) => {
  if (row.problem) {
    const { field, facts } = row.problem;
    const where = SHEET_PARTS[field as SheetPart] ?? field;
    return facts.expected
      ? `${where}: aqui cabe ${expectedWords(facts.expected)}.`
      : problemWords(row.problem);
  }
  const { entry } = row;
  if (!entry) return "";
  const at = when(entry.at, now, zone);
  if (entry.kind === "feed") return `${at}: ${fedLine(entry)}`;
  if (entry.kind !== "look") return at;
  const seen = lookLine({ ...entry, note: "" }, null);
  return `${at}: ${[seen, entry.note].filter(Boolean).join(" · ")}`;
};
