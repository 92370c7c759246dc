import { nowMs } from "../lib/clock";
import { toField } from "../lib/time";
import type { When } from "../lib/when";
import { uiText } from "../words";
import { Choice } from "./choice";
import { TextField } from "./field";

const SAID = [
  { value: "now", label: uiText.now },
  { value: "20", label: uiText.n20MinAgo },
  { value: "60", label: uiText.n1HAgo },
  { value: "night", label: uiText.lastNight },
  { value: "other", label: uiText.otherTime },
] as const;

export function WhenField({
  label,
  value,
  onChange,
  zone,
  error,
  ahead = false,
  lastNight = false,
}: {
  readonly label: string;
  readonly value: When;
  readonly onChange: (next: When) => void;
  readonly zone: string;
  readonly error: string | null;
  /** For something still to be done: now or at a time, never a while ago. */
  readonly ahead?: boolean;
  /** For what may have been seen and not written down before bed. */
  readonly lastNight?: boolean;
}) {
  const choose = (said: When["said"] | null) => {
    if (!said) return;
    onChange({ said, field: said === "other" ? value.field || toField(nowMs(), zone) : value.field });
  };
  return (
    <div className="flex flex-col gap-2">
      <Choice
        label={label}
        items={SAID.filter(({ value: one }) =>
          ahead ? one === "now" || one === "other" : lastNight || one !== "night",
        )}
        value={value.said}
        onChange={choose}
        error={value.said === "other" ? null : error}
      />
      {value.said === "other" && (
        <TextField
          label={uiText.dateAndTime}
          type="datetime-local"
          value={value.field}
          error={error}
          hint={uiText.inTheTimeOf(zone.replaceAll("_", " "))}
          onChange={(event) => onChange({ said: "other", field: event.target.value })}
        />
      )}
    </div>
  );
}
