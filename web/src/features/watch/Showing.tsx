/** The baker shows a camera where the jar stands: six lines on one picture. */
import { useEffect, useRef, useState } from "react";
import { http } from "../../api/client";
import { asBase64 } from "../../api/photos";
import { proposalFor } from "../../api/proposal";
import type { JarLines } from "../../api/types";
import { Refused, useAct } from "../../parts/act";
import { Button } from "../../ui/button";
import { watchText } from "../../words";
import { LinesOn } from "./LinesOn";
import { aroundOwn, USUAL, whatMoved } from "./lines";

/** A picture of this device's with its time, or the address of the last that the camera sent. */
export type Pictured = { readonly blob: Blob; readonly at: string | null } | { readonly src: string };

export function Showing({
  jarId,
  cameraId,
  pictured,
  onShown,
  onAnother,
}: {
  readonly jarId: string;
  readonly cameraId: string;
  readonly pictured: Pictured;
  readonly onShown: () => void;
  readonly onAnother?: () => void;
}) {
  const [lines, setLines] = useState<JarLines>(USUAL);
  const { act, problem } = useAct();
  const src = useAddress(pictured);
  // What the baker has moved already is not moved by what is proposed.
  const own = useRef<Partial<JarLines>>({});
  useProposal(jarId, pictured, (proposed) => setLines((now) => aroundOwn(now, proposed, own.current)));
  const show = async () => {
    const picture = "blob" in pictured ? { at: pictured.at, picture: await asBase64(pictured.blob) } : null;
    const path = { params: { path: { camera_id: cameraId } } };
    if (await act(http.PUT("/api/cameras/{camera_id}/lines", { ...path, body: { lines, picture } })))
      onShown();
  };
  return (
    <section aria-labelledby="show" className="flex flex-col gap-3">
      <h2 id="show" className="text-2xl">
        {watchText.showTitle}
      </h2>
      <p className="max-w-prose">{watchText.showHint}</p>
      {src && (
        <LinesOn
          src={src}
          lines={lines}
          onChange={(next) => {
            own.current = { ...own.current, ...whatMoved(lines, next) };
            setLines(next);
          }}
        />
      )}
      <Refused problem={problem} />
      <p className="flex flex-wrap gap-3">
        <Button look="act" onClick={() => void show()}>
          {watchText.thatIsIt}
        </Button>
        {onAnother && (
          <Button look="plain" onClick={onAnother}>
            {watchText.another}
          </Button>
        )}
      </p>
    </section>
  );
}

/** The lines begin where the picture itself shows a jar. */
function useProposal(jarId: string, pictured: Pictured, onFound: (lines: JarLines) => void): void {
  const found = useRef(onFound);
  found.current = onFound;
  useEffect(() => {
    let over = false;
    const ask = async () => {
      const blob = "blob" in pictured ? pictured.blob : await (await fetch(pictured.src)).blob();
      const seen = await proposalFor(jarId, blob);
      if (over || seen === null || seen === "none") return;
      const { bottom, rim, left, right, level, mark } = seen;
      found.current({ bottom, rim, left, right, level, line: mark ?? level });
    };
    void ask().catch(() => undefined);
    return () => {
      over = true;
    };
  }, [jarId, pictured]);
}

function useAddress(pictured: Pictured): string {
  const [address, setAddress] = useState("");
  useEffect(() => {
    if ("src" in pictured) {
      setAddress(pictured.src);
      return;
    }
    const made = URL.createObjectURL(pictured.blob);
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [pictured]);
  return address;
}
