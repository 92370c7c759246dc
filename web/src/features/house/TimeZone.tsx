import { useState } from "react";
import { http } from "../../api/client";
import { deviceZone } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { TextField } from "../../ui/field";
import { houseText } from "../../words";

/** Where the baker lives: hours, plans and reminders go by it, wherever a device is. */
export function TimeZonePart({ zone }: { readonly zone: string }) {
  const [typed, setTyped] = useState<string | null>(null);
  const { act, problem } = useAct();
  const here = deviceZone();
  const move = async (to: string) => {
    if (await act(http.PUT("/api/time-zone", { body: { time_zone: to } }))) setTyped(null);
  };
  return (
    <div className="mt-4 flex max-w-md flex-col items-start gap-2">
      <TextField
        label={houseText.timeZone}
        list="time-zones"
        value={typed ?? zone}
        autoComplete="off"
        onChange={(event) => setTyped(event.target.value)}
      />
      <datalist id="time-zones">
        {Intl.supportedValuesOf("timeZone").map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      {typed !== null && typed !== zone && (
        <Button onClick={() => void move(typed)}>{houseText.liveThere(typed)}</Button>
      )}
      {typed === null && here !== zone && (
        <p>
          {houseText.thisDeviceIsIn(here)}{" "}
          <Button look="plain" onClick={() => void move(here)}>
            {houseText.liveThere(here)}
          </Button>
        </p>
      )}
      <Refused problem={problem} />
    </div>
  );
}
