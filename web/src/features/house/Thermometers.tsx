import { type FormEvent, useState } from "react";
import { api, http } from "../../api/client";
import type { Station } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { degrees } from "../../lib/numbers";
import { homeZone, when } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Confirm } from "../../ui/confirm";
import { TextField } from "../../ui/field";
import { Loading, OutOfReach } from "../../ui/states";
import { houseText } from "../../words";

/** Thermometers that post how warm a place is, each with a token of its own. */
export function ThermometersPart() {
  const stations = api.useQuery("get", "/api/thermometers", {}, { refetchInterval: 60_000 });
  const { act, problem } = useAct();
  const [leaving, setLeaving] = useState<Station | null>(null);
  const [place, setPlace] = useState("");
  const [token, setToken] = useState<string | null>(null);
  if (stations.isPending) return <Loading what={houseText.readingTheThermometers} />;
  if (!stations.data) return <OutOfReach onRetry={() => void stations.refetch()} />;
  const setUp = async (event: FormEvent) => {
    event.preventDefault();
    const made = await act(http.POST("/api/thermometers", { body: { place } }));
    if (!made?.said) return;
    setToken(made.said.token);
    setPlace("");
  };
  const withdraw = (id: string) =>
    act(http.DELETE("/api/thermometers/{station_id}", { params: { path: { station_id: id } } }));
  return (
    <section aria-labelledby="thermometers" className="flex flex-col gap-4">
      <h2 id="thermometers" className="text-2xl">
        {houseText.thermometers}
      </h2>
      <p>{houseText.aDevicePostsHowWarm}</p>
      <ul>
        {stations.data.map((one) => (
          <li key={one.id} className="flex items-center justify-between gap-3 border-b border-rule">
            <span>
              <span className="font-semibold">{one.place}</span>{" "}
              <span className="text-soft">
                {one.last_at === null
                  ? houseText.hasSaidNothingYet
                  : `${degrees(one.last_c ?? 0)}, ${when(one.last_at, nowMs(), homeZone())}`}
              </span>
            </span>
            <Button look="plain" onClick={() => setLeaving(one)}>
              {houseText.withdraw}
            </Button>
          </li>
        ))}
      </ul>
      {token && (
        <p className="border-s-4 border-crust ps-4">
          <span className="block">{houseText.itsTokenShownThisOnce}</span>
          <code className="block break-all text-lg font-bold">{token}</code>
        </p>
      )}
      <form onSubmit={(event) => void setUp(event)} noValidate className="flex max-w-sm items-end gap-3">
        <TextField
          label={houseText.place}
          placeholder={houseText.topOfTheFridge}
          value={place}
          onChange={(event) => setPlace(event.target.value)}
        />
        <Button type="submit">{houseText.setOneUp}</Button>
      </form>
      <Refused problem={problem} />
      <Confirm
        open={leaving !== null}
        onOpenChange={() => setLeaving(null)}
        title={houseText.withdraw2(leaving?.place ?? houseText.it)}
        yes={houseText.withdrawIt}
        onYes={() => void (leaving && withdraw(leaving.id))}
      >
        <p>{houseText.itsTokenEndsWhatIt}</p>
      </Confirm>
    </section>
  );
}
