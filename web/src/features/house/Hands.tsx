import { type FormEvent, useState } from "react";
import { api, http } from "../../api/client";
import { nowMs } from "../../lib/clock";
import { dayWord, homeZone, when } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { Confirm } from "../../ui/confirm";
import { TextField } from "../../ui/field";
import { Loading, OutOfReach } from "../../ui/states";
import { commonText, houseText, passedLine } from "../../words";

/** Who keeps the jars too: invited by a code, shown out with a press. */
export function HandsPart() {
  const hands = api.useQuery("get", "/api/hands");
  const { act, problem } = useAct();
  const [code, setCode] = useState<string | null>(null);
  const [given, setGiven] = useState("");
  const [giving, setGiving] = useState<string | null>(null);
  if (hands.isPending) return <Loading what={houseText.askingWhoIsHere} />;
  if (!hands.data) return <OutOfReach onRetry={() => void hands.refetch()} />;
  const invite = async () => {
    const made = await act(http.POST("/api/hands/invitations"));
    if (made?.said) setCode(made.said.code);
  };
  const callBack = async () => {
    if (await act(http.DELETE("/api/hands/invitations"))) setCode(null);
  };
  const comeIn = async (event: FormEvent) => {
    event.preventDefault();
    if (await act(http.POST("/api/hands", { body: { code: given } }))) setGiven("");
  };
  const showOut = (id: string) =>
    act(http.DELETE("/api/hands/{hand_id}", { params: { path: { hand_id: id } } }));
  const handOver = async (id: string) => {
    await act(http.POST("/api/hands/{hand_id}/kitchen", { params: { path: { hand_id: id } } }));
    setGiving(null);
  };
  const { mine, others, open_invitations: open, passed } = hands.data;
  const since = (at: string) => dayWord(at, nowMs(), homeZone());
  return (
    <section aria-labelledby="hands" className="flex flex-col gap-4">
      <h2 id="hands" className="text-2xl">
        {houseText.severalHands}
      </h2>
      <p>{houseText.whoeverYouLetInSees}</p>
      {mine.length > 0 && (
        <ul>
          {mine.map((one) => (
            <li key={one.id} className="flex items-center justify-between gap-3 border-b border-rule">
              <span>
                <span className="font-semibold">{one.name}</span>{" "}
                <span className="text-soft">{houseText.keepsYourKitchenSince(since(one.since))}</span>
              </span>
              <span className="flex shrink-0 flex-wrap justify-end">
                <Button look="plain" onClick={() => setGiving(one.id)}>
                  {houseText.handOver}
                </Button>
                <Button look="plain" onClick={() => void showOut(one.id)}>
                  {houseText.showOut}
                </Button>
              </span>
            </li>
          ))}
        </ul>
      )}
      {others.length > 0 && (
        <ul>
          {others.map((one) => (
            <li key={one.id} className="flex items-center justify-between gap-3 border-b border-rule">
              <span>
                {houseText.youKeep} <span className="font-semibold">{one.name}</span>
                {houseText.sKitchen} <span className="text-soft">{houseText.since(since(one.since))}</span>
              </span>
              <Button look="plain" onClick={() => void showOut(one.id)}>
                {commonText.leaveIt}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {code && (
        <p className="border-s-4 border-crust ps-4">
          <span className="block">{houseText.tellItToOnePerson}</span>
          <span className="block text-2xl font-bold tracking-wide">{code}</span>
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => void invite()}>{houseText.inviteSomebody}</Button>
        {open > 0 && (
          <Button look="plain" onClick={() => void callBack()}>
            {houseText.callBack(open === 1 ? houseText.theOpenInvitation : houseText.openInvitations(open))}
          </Button>
        )}
      </div>
      <form onSubmit={(event) => void comeIn(event)} noValidate className="flex max-w-sm items-end gap-3">
        <TextField
          label={houseText.anInvitationYouWereGiven}
          value={given}
          onChange={(event) => setGiven(event.target.value)}
          autoComplete="off"
          autoCapitalize="none"
        />
        <Button type="submit">{houseText.comeIn}</Button>
      </form>
      <Refused problem={problem} />
      {passed.length > 0 && (
        <details>
          <summary className="min-h-11 py-2 font-semibold text-crust">{houseText.whoCameAndWent}</summary>
          <ul className="text-soft">
            {passed.map((one) => (
              <li key={`${one.at}-${one.what}`} className="border-b border-rule py-1">
                {when(one.at, nowMs(), homeZone())}: {passedLine(one)}
              </li>
            ))}
          </ul>
        </details>
      )}
      <Confirm
        open={giving !== null}
        onOpenChange={(open) => !open && setGiving(null)}
        title={houseText.handAllOver(mine.find(({ id }) => id === giving)?.name ?? "")}
        yes={houseText.handOver}
        onYes={() => giving !== null && void handOver(giving)}
      >
        <p>{houseText.whatHandingOverDoes}</p>
      </Confirm>
    </section>
  );
}
