/** What stands above a form's button when the server would not take it: what belongs to no field of the form in full. */

import type { Problem } from "../api/types";
import { Trouble } from "../ui/states";
import { commonText, fieldWords, problemWords } from "../words";

export function NotSaved({
  problems,
  shown,
  title = commonText.notSavedYet,
}: {
  readonly problems: readonly Problem[];
  /** The fields whose problems stand beside them; `flours` stands for every flour. */
  readonly shown: readonly string[];
  readonly title?: string;
}) {
  if (problems.length === 0) return null;
  const isShown = ({ field }: Problem) =>
    shown.includes(field) || (shown.includes("flours") && field.startsWith("flours"));
  const other = problems.filter((one) => !isShown(one));
  return (
    <Trouble>
      <strong>{title}</strong>{" "}
      {other.length > 0
        ? other.map((one) => `${fieldWords(one.field)}: ${problemWords(one)}`).join(" ")
        : commonText.see(problems.map((one) => fieldWords(one.field)).join(", "))}
    </Trouble>
  );
}
