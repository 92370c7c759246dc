import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, http } from "../../api/client";
import { deviceZone, when } from "../../lib/time";
import { Button } from "../../ui/button";
import { TextField } from "../../ui/field";
import { Loading, OutOfReach } from "../../ui/states";
import { problemWords } from "../../words/problems";

/** Thermometers that post how warm a place is, each with a token of its own. */
export function ThermometersPart() {
  const stations = api.useQuery("get", "/api/thermometers", {}, { refetchInterval: 60_000 });
  const queries = useQueryClient();
  const [place, setPlace] = useState("");
  const [token, setToken] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  if (stations.isPending) return <Loading what="Reading the thermometers" />;
  if (!stations.data) return <OutOfReach onRetry={() => void stations.refetch()} />;
  const setUp = async (event: FormEvent) => {
    event.preventDefault();
    const { data, error } = await http.POST("/api/thermometers", { body: { place } });
    setProblem(error?.errors.map(problemWords).join(" ") ?? null);
    if (data) {
      setToken(data.token);
      setPlace("");
    }
    await queries.invalidateQueries();
  };
  const withdraw = async (id: string) => {
    await http.DELETE("/api/thermometers/{station_id}", { params: { path: { station_id: id } } });
    await queries.invalidateQueries();
  };
  return (
    <section aria-labelledby="thermometers" className="flex flex-col gap-4">
      <h2 id="thermometers" className="text-2xl">
        Thermometers
      </h2>
      <p>
        A device posts how warm its place is; a jar beside it is then judged by that. Choose it on the jar's
        page.
      </p>
      <ul>
        {stations.data.map((one) => (
          <li key={one.id} className="flex items-center justify-between gap-3 border-b border-rule">
            <span>
              <span className="font-semibold">{one.place}</span>{" "}
              <span className="text-soft">
                {one.last_at === null
                  ? "has said nothing yet"
                  : `${one.last_c} °C, ${when(one.last_at, Date.now(), deviceZone())}`}
              </span>
            </span>
            <Button look="plain" onClick={() => void withdraw(one.id)}>
              Withdraw
            </Button>
          </li>
        ))}
      </ul>
      {token && (
        <p className="border-l-4 border-crust pl-4">
          <span className="block">Its token, shown this once. Put it into the device:</span>
          <code className="block break-all text-lg font-bold">{token}</code>
        </p>
      )}
      <form onSubmit={(event) => void setUp(event)} noValidate className="flex max-w-sm items-end gap-3">
        <TextField
          label="Place"
          placeholder="Top of the fridge"
          value={place}
          onChange={(event) => setPlace(event.target.value)}
        />
        <Button type="submit">Set one up</Button>
      </form>
      {problem && (
        <p role="alert" className="font-semibold text-alarm">
          {problem}
        </p>
      )}
    </section>
  );
}
