/** A kitchen's file on its way in: sent in parts, read as a whole, its photos after it. */
import { csrfToken, http } from "./client";
import type { PhotosIn, Problem, Problems, TakenIn } from "./types";

const PART = 4_000_000;

export type Progress =
  | { readonly step: "sending"; readonly share: number }
  | { readonly step: "reading" }
  | { readonly step: "photos"; readonly photos: PhotosIn };

export type Arrived =
  | { readonly kind: "in"; readonly told: TakenIn }
  | { readonly kind: "refused"; readonly problems: readonly Problem[] };

/** The typed client sends JSON; a part is a file. */
async function sendPart(path: string, part: Blob): Promise<Problems | null> {
  const form = new FormData();
  form.append("part", part, "part");
  try {
    const answer = await fetch(path, {
      method: "POST",
      body: form,
      headers: { "X-CSRFToken": csrfToken() },
    });
    return answer.ok ? null : ((await answer.json()) as Problems);
  } catch {
    return { errors: [{ code: "out_of_reach", field: "", message: "", facts: {} }] };
  }
}

export async function bringIn(file: File, id: string, onProgress: (at: Progress) => void): Promise<Arrived> {
  for (let at = 0; at < file.size || at === 0; at += PART) {
    onProgress({ step: "sending", share: Math.round((100 * at) / Math.max(1, file.size)) });
    const problem = await sendPart(`/api/parcels/${id}/parts?offset=${at}`, file.slice(at, at + PART));
    if (problem) return { kind: "refused", problems: problem.errors };
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
