/** Times of day as minutes after midnight. */

import { forms } from "./forms";
import { hourWords } from "./time";

/** `07:30`, midnight at the end of a day is `24:00`; `7:30 am` to who reads so. */
export function clockTime(minutes: number): string {
  if (forms().clock === "h12") return hourWords(written(minutes % 1440));
  return written(minutes);
}

function written(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  return `${String(hours).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
}
