/** What a photo itself says of where a jar stands in it: a proposal, asked of the kitchen, which keeps nothing of it. */
import { http } from "./client";
import { asBase64 } from "./photos";
import type { PhotoProposal, StandsIn } from "./types";

/** Between lines that were `shown` in it, the level alone is read anew. Null where the kitchen cannot be asked, `none` where it sees no jar. */
export async function proposalFor(
  jarId: string,
  picture: Blob,
  shown: StandsIn | null = null,
): Promise<PhotoProposal | "none" | null> {
  if (!navigator.onLine) return null;
  const path = { params: { path: { jar_id: jarId } } };
  const { data } = await http.POST("/api/jars/{jar_id}/photos/proposal", {
    ...path,
    body: { photo: await asBase64(picture), shown },
  });
  return data ? (data.proposal ?? "none") : null;
}
