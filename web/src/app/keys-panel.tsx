import { useEffect, useState } from "react";
import { Panel } from "../ui/panel";
import { appText, KEY_WORDS } from "../words";
import { KEYS, useKeysOn } from "./keys";

/** The list of keys, their switch, and whether they are shown on their buttons. */
export function KeysPanel({
  open,
  onOpenChange,
}: {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}) {
  const [on, setOn] = useKeysOn();
  const [shown, setShown] = useState(false);
  useEffect(() => {
    document.documentElement.toggleAttribute("data-keys", on && shown);
  }, [on, shown]);
  return (
    <Panel open={open} onOpenChange={onOpenChange} title={appText.keys}>
      <table className="w-full text-start">
        <tbody>
          {[...KEYS, { key: "?", act: "list" as const }].map(({ key, act }) => (
            <tr key={key} className="border-b border-rule">
              <th scope="row" className="w-16 py-1.5">
                <kbd className="rounded border border-edge px-2 py-0.5 font-semibold uppercase">{key}</kbd>
              </th>
              <td>{KEY_WORDS[act]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Switch label={appText.keysAreOn} on={on} onTurn={setOn} />
      <Switch label={appText.showThemOnButtons} on={shown} onTurn={setShown} />
    </Panel>
  );
}

function Switch({
  label,
  on,
  onTurn,
}: {
  readonly label: string;
  readonly on: boolean;
  readonly onTurn: (on: boolean) => void;
}) {
  return (
    <label className="flex min-h-11 items-center gap-3 font-semibold">
      <input
        type="checkbox"
        className="size-5 accent-(--crust)"
        checked={on}
        onChange={(event) => onTurn(event.target.checked)}
      />
      {label}
    </label>
  );
}
