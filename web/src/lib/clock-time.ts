/** Times of day as minutes after midnight. */

/** `07:30`; midnight at the end of a day is `24:00`. */
export function clockTime(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  return `${String(hours).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
}
