import { type RefObject, useState } from "react";
import { api, http } from "../../api/client";
import { pngOf, save, svgText } from "../../lib/save-picture";
import { Refused, useAct } from "../../parts/act";
import { Button, ButtonLink } from "../../ui/button";
import { jarText, sheetText } from "../../words";

const LINK =
  "inline-flex min-h-11 items-center px-3 font-semibold text-crust underline-offset-4 hover:underline";

/** The rise line out of the application: as a picture, as a table, as a page for a friend. */
export function Outward({
  jarId,
  name,
  drawn,
}: {
  readonly jarId: string;
  readonly name: string;
  readonly drawn: RefObject<HTMLElement | null>;
}) {
  const picture = () => drawn.current?.querySelector<SVGSVGElement>("svg[role=img]") ?? null;
  const asSvg = () => {
    const svg = picture();
    if (svg) save(new Blob([svgText(svg)], { type: "image/svg+xml" }), `${name}.svg`);
  };
  const asPng = async () => {
    const svg = picture();
    if (svg) save(await pngOf(svg), `${name}.png`);
  };
  return (
    <details className="mt-2 print:hidden">
      <summary className="min-h-11 py-2 font-semibold text-crust">{jarText.takeItOut}</summary>
      <p className="-ms-3 flex flex-wrap">
        <Button look="plain" onClick={asSvg}>
          {jarText.asSvg}
        </Button>
        <Button look="plain" onClick={() => void asPng()}>
          {jarText.asPng}
        </Button>
        <a className={LINK} href={`/api/jars/${jarId}/rise.csv`} download={`${name}.csv`}>
          {jarText.asCsv}
        </a>
        <a className={LINK} href={`/api/parcel.zip?jar=${jarId}`} download>
          {jarText.allOfIt}
        </a>
        <ButtonLink look="plain" to={`/jars/${jarId}/bring`}>
          {sheetText.bringASheet}
        </ButtonLink>
      </p>
      <Sharing jarId={jarId} />
    </details>
  );
}

function Sharing({ jarId }: { readonly jarId: string }) {
  const path = { params: { path: { jar_id: jarId } } };
  const sharing = api.useQuery("get", "/api/jars/{jar_id}/sharing", path, { retry: false });
  const { act, problem } = useAct();
  const [address, setAddress] = useState<string | null>(null);
  if (!sharing.data) return null;
  const share = async () => {
    const made = await act(http.POST("/api/jars/{jar_id}/sharing", path));
    if (made?.said) setAddress(made.said.address);
  };
  const end = async () => {
    if (await act(http.DELETE("/api/jars/{jar_id}/sharing", path))) setAddress(null);
  };
  return (
    <div className="flex max-w-prose flex-col items-start gap-2">
      <p>{jarText.aPageToShow}</p>
      {address && (
        <p className="border-s-4 border-crust ps-4">
          <span className="block">{jarText.shownThisOnce}</span>
          <code className="block break-all font-bold">{address}</code>
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => void share()}>
          {sharing.data.is_shared ? jarText.anotherPage : jarText.makeAPage}
        </Button>
        {sharing.data.is_shared && (
          <Button look="plain" onClick={() => void end()}>
            {jarText.showItNoMore}
          </Button>
        )}
      </div>
      <Refused problem={problem} />
    </div>
  );
}
