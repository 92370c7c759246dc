/** Photos on this device until they are sent: kept in the browser's own database. */
import { del, get, set } from "idb-keyval";

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
