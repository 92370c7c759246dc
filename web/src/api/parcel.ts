/** A kitchen's file on its way in: sent in parts, read as a whole, its photos after it. */
import { csrfToken, http } from "./client";
import type { PhotosIn, Problem, Problems, SheetHow, SheetKept, SheetRead, TakenIn } from "./types";

const PART = 4_000_000;

export type Progress =
  | { readonly step: "sending"; readonly share: number }
  | { readonly step: "reading" }
  | { readonly step: "photos"; readonly photos: PhotosIn };

export type Arrived =
  | { readonly kind: "in"; readonly told: TakenIn }
  | { readonly kind: "refused"; readonly problems: readonly Problem[] };

type Sent<T> = { readonly data: T | null; readonly problems: readonly Problem[] };

/** The typed client sends JSON; this sends files. */
async function sendForm<T>(path: string, form: FormData): Promise<Sent<T>> {
  try {
    const headers = { "X-CSRFToken": csrfToken() };
    const answer = await fetch(path, { method: "POST", body: form, headers });
    const said: unknown = await answer.json();
    return answer.ok
      ? { data: said as T, problems: [] }
      : { data: null, problems: (said as Problems).errors };
  } catch {
    return { data: null, problems: [{ code: "out_of_reach", field: "", message: "", facts: {} }] };
  }
}

function sendPart(path: string, part: Blob) {
  const form = new FormData();
  form.append("part", part, "part");
  return sendForm<unknown>(path, form);
}

function sheetForm(file: File, how: SheetHow | null): FormData {
  const form = new FormData();
  form.append("file", file, file.name);
  form.append("how", how ? JSON.stringify(how) : "");
  return form;
}

/** What a baker's own spreadsheet says of a jar; nothing is written. */
export function readSheet(jarId: string, file: File, how: SheetHow | null) {
  return sendForm<SheetRead>(`/api/jars/${jarId}/spreadsheet`, sheetForm(file, how));
}

/** Write what it says. */
export function keepSheet(jarId: string, file: File, how: SheetHow) {
  return sendForm<SheetKept>(`/api/jars/${jarId}/spreadsheet/keep`, sheetForm(file, how));
}

export async function bringIn(file: File, id: string, onProgress: (at: Progress) => void): Promise<Arrived> {
  for (let at = 0; at < file.size || at === 0; at += PART) {
    onProgress({ step: "sending", share: Math.round((100 * at) / Math.max(1, file.size)) });
    const { problems } = await sendPart(`/api/parcels/${id}/parts?offset=${at}`, file.slice(at, at + PART));
    if (problems.length > 0) return { kind: "refused", problems };
  }
  onProgress({ step: "reading" });
  const path = { parcel_id: id };
  const opened = await http.POST("/api/parcels/{parcel_id}/open", { params: { path } });
  if (!opened.data) return { kind: "refused", problems: opened.error.errors };
  for (let done = 0; ; ) {
    const { data, error } = await http.POST("/api/parcels/{parcel_id}/photos", {
      params: { path, query: { start: done } },
    });
    if (!data) return { kind: "refused", problems: error.errors };
    done = data.done;
    if (data.done >= data.of) return { kind: "in", told: opened.data };
    onProgress({ step: "photos", photos: data });
  }
}
