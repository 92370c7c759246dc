/** A photo made small on the device. */

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
