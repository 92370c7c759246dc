/** Photos on this device until they are sent: made small here, kept in the browser's own database. */
import { del, get, set } from "idb-keyval";

const SIDE = 1600;
const QUALITY = 0.85;
const MOST_BYTES = 30_000_000;

export type PhotoProblem = "not_a_photo" | "photo_too_large";

/** A picture made small enough to keep and send. */
export async function shrink(file: Blob): Promise<Blob | PhotoProblem> {
  if (!file.type.startsWith("image/")) return "not_a_photo";
  if (file.size > MOST_BYTES) return "photo_too_large";
  try {
    const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
    const scale = Math.min(1, SIDE / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
    canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return await canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
  } catch {
    return "not_a_photo";
  }
}

const key = (id: string) => `photo.${id}`;

export async function keepPhoto(id: string, picture: Blob): Promise<void> {
  await set(key(id), picture);
}

export async function keptPhoto(id: string): Promise<Blob | null> {
  return (await get<Blob>(key(id))) ?? null;
}

export async function dropPhoto(id: string): Promise<void> {
  await del(key(id));
}

/** The picture as text, to go with its write. */
export async function asBase64(picture: Blob): Promise<string> {
  const bytes = new Uint8Array(await picture.arrayBuffer());
  let text = "";
  for (let from = 0; from < bytes.length; from += 32_768)
    text += String.fromCharCode(...bytes.subarray(from, from + 32_768));
  return btoa(text);
}

export function pictureAt(id: string, size: "large" | "small"): string {
  return `/api/photos/${id}/${size}`;
}
