/** The glass in every unit, between the marks that the server sent: straight from one to the next. */

export type Mark = { readonly mm: number; readonly ml: number; readonly times: number };

/** `value` in one unit as another, beyond the last marks as between the last two. */
export function convert(marks: readonly Mark[], value: number, from: keyof Mark, to: keyof Mark): number {
  const last = marks.length - 1;
  const after = Math.min(
    Math.max(
      1,
      marks.findIndex((mark) => mark[from] >= value),
    ),
    last,
  );
  const high = marks[value > (marks[last]?.[from] ?? 0) ? last : after];
  const low = marks[value > (marks[last]?.[from] ?? 0) ? last - 1 : after - 1];
  if (!low || !high || high[from] === low[from]) return value;
  return low[to] + ((value - low[from]) / (high[from] - low[from])) * (high[to] - low[to]);
}
