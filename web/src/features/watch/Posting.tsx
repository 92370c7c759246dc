/** A camera of the house that posts its pictures: its address, its token, told once. */
import { useState } from "react";
import { http } from "../../api/client";
import type { OpenJar } from "../../api/types";
import { newId } from "../../lib/ids";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { watchText } from "../../words";

const EVERY_MIN = 5;

export function Posting({ opened, onDone }: { readonly opened: OpenJar; readonly onDone: () => void }) {
  const { act, problem } = useAct();
  const [token, setToken] = useState<string | null>(null);
  const setUp = async () => {
    const body = { id: newId(), kind: "posts" as const, every_min: EVERY_MIN };
    const path = { params: { path: { jar_id: opened.jar.id } } };
    const made = await act(http.POST("/api/jars/{jar_id}/cameras", { ...path, body }));
    setToken(made?.said?.token ?? null);
  };
  return (
    <div className="flex max-w-prose flex-col items-start gap-3">
      <p>{watchText.whatItNeeds}</p>
      <Refused problem={problem} />
      {token === null ? (
        <Button look="act" onClick={() => void setUp()}>
          {watchText.begin}
        </Button>
      ) : (
        <>
          <p>{watchText.address}</p>
          <code className="break-all text-lg font-bold">{`POST ${location.origin}/api/frames`}</code>
          <p>{watchText.tokenOnce}</p>
          <code className="break-all text-lg font-bold">{`Authorization: Bearer ${token}`}</code>
          <p>{watchText.waitsForPicture}</p>
          <Button onClick={onDone}>{watchText.saw}</Button>
        </>
      )}
    </div>
  );
}
