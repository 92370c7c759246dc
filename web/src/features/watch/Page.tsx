/** The place of a jar's cameras: which watch it, what they saw, and what is kept of it. */
import { type ReactNode, useMemo, useState } from "react";
import { api, http } from "../../api/client";
import type { Camera, CameraKind, OpenJar, Watch } from "../../api/types";
import { nowMs } from "../../lib/clock";
import { useTitle } from "../../lib/hooks";
import { when } from "../../lib/time";
import { Refused, useAct } from "../../parts/act";
import { OfJar } from "../../parts/of-jar";
import { Button, ButtonLink } from "../../ui/button";
import { Choice, choiceItems } from "../../ui/choice";
import { Confirm } from "../../ui/confirm";
import { Loading, OutOfReach } from "../../ui/states";
import { CAMERA_HINTS, CAMERA_WORDS, UNREAD_WORDS, watchText } from "../../words";
import { Lapse } from "./Lapse";
import { Own } from "./Own";
import { Posting } from "./Posting";
import { Saw } from "./Saw";
import { Showing } from "./Showing";
import { frameAt, megabytes } from "./seen";

const ASKED_AGAIN_MS = 10_000;

export function WatchPage() {
  return <OfJar>{(opened) => <Page opened={opened} />}</OfJar>;
}

function Page({ opened }: { readonly opened: OpenJar }) {
  const { jar } = opened;
  useTitle(watchText.watching(jar.name));
  const [way, setWay] = useState<CameraKind | null>(null);
  const path = { params: { path: { jar_id: jar.id } } };
  const found = api.useQuery("get", "/api/jars/{jar_id}/watch", path, { refetchInterval: ASKED_AGAIN_MS });
  if (found.isPending) return <Loading what={watchText.opening} />;
  if (!found.data) return <OutOfReach onRetry={() => void found.refetch()} />;
  const cameras = <Cameras key="cameras" opened={opened} watch={found.data} way={way} onWay={setWay} />;
  return (
    <article className="flex flex-col gap-8 pt-6">
      <h1 className="text-3xl">{watchText.watching(jar.name)}</h1>
      {/* What is being set up, or runs on this device, comes first. */}
      {way !== null && cameras}
      <Saw jarId={jar.id} watch={found.data} now={nowMs()} zone={opened.time_zone} />
      {way === null && cameras}
      <Kept jarId={jar.id} watch={found.data} />
      <p>
        <ButtonLink look="plain" to={`/jars/${jar.id}`} className="-ms-3">
          {watchText.toTheJar}
        </ButtonLink>
      </p>
    </article>
  );
}

const WAYS: Record<CameraKind, (given: { opened: OpenJar; onDone: () => void }) => ReactNode> = {
  page: Own,
  posts: Posting,
  lapse: Lapse,
};

function Cameras({
  opened,
  watch,
  way,
  onWay: setWay,
}: {
  readonly opened: OpenJar;
  readonly watch: Watch;
  readonly way: CameraKind | null;
  readonly onWay: (next: CameraKind | null) => void;
}) {
  const [adds, setAdds] = useState(false);
  // What was brought in at once watches no more.
  const watching = watch.cameras.filter(({ kind }) => kind !== "lapse");
  const Way = way && WAYS[way];
  const begins = adds || watching.length === 0 || way !== null;
  return (
    <section aria-labelledby="cameras" className="flex flex-col gap-4">
      <h2 id="cameras" className={watch.feeds.length === 0 ? "sr-only" : "text-2xl"}>
        {watchText.cameras}
      </h2>
      {way === null && (
        <ul>
          {watching.map((camera) => (
            <One key={camera.id} jarId={opened.jar.id} camera={camera} zone={opened.time_zone} />
          ))}
        </ul>
      )}
      {!begins && (
        <Button look="plain" className="-ms-3 self-start" onClick={() => setAdds(true)}>
          {watchText.anotherCamera}
        </Button>
      )}
      {begins && (
        <>
          {watch.feeds.length === 0 && <p className="max-w-prose text-lg">{watchText.lead}</p>}
          <Choice
            label={watchText.how}
            items={choiceItems(CAMERA_WORDS, {}, CAMERA_HINTS)}
            value={way}
            onChange={setWay}
          />
        </>
      )}
      {Way && (
        <Way
          key={way}
          opened={opened}
          onDone={() => {
            setWay(null);
            setAdds(false);
          }}
        />
      )}
    </section>
  );
}

function One({
  jarId,
  camera,
  zone,
}: {
  readonly jarId: string;
  readonly camera: Camera;
  readonly zone: string;
}) {
  const { act, problem } = useAct();
  const [asks, setAsks] = useState(false);
  const [shows, setShows] = useState(false);
  const { last } = camera;
  const stop = () =>
    act(http.DELETE("/api/cameras/{camera_id}", { params: { path: { camera_id: camera.id } } }));
  const again = () =>
    act(http.DELETE("/api/cameras/{camera_id}/lines", { params: { path: { camera_id: camera.id } } }));
  const pictured = last?.picture ?? null;
  const shown = useMemo(() => ({ src: frameAt(pictured ?? 0) }), [pictured]);
  return (
    <li className="flex flex-col gap-3 border-y border-rule py-3">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p>
          <span className="block font-semibold">{CAMERA_WORDS[camera.kind]}</span>
          <span aria-live="polite" className="text-soft">
            {last === null ? watchText.waitsForPicture : lastWords(camera, zone)}
          </span>
        </p>
        <Button look="plain" onClick={() => setAsks(true)}>
          {watchText.stop}
        </Button>
      </div>
      {camera.asks && !shows && (
        <p role="alert" className="font-semibold text-alarm">
          {watchText.asks}
        </p>
      )}
      {camera.asks && !shows && (
        <Button className="self-start" onClick={() => void again()}>
          {watchText.showAgain}
        </Button>
      )}
      {camera.waits && last?.cause === "not_shown" && pictured !== null && !shows && (
        <Button look="act" className="self-start" onClick={() => setShows(true)}>
          {watchText.showInThis}
        </Button>
      )}
      {shows && pictured !== null && (
        <Showing jarId={jarId} cameraId={camera.id} pictured={shown} onShown={() => setShows(false)} />
      )}
      <Refused problem={problem} />
      <Confirm
        open={asks}
        onOpenChange={setAsks}
        title={watchText.stopTitle}
        yes={watchText.stopYes}
        onYes={() => void stop()}
      >
        <p>{watchText.stopSays}</p>
      </Confirm>
    </li>
  );
}

function lastWords({ last }: Camera, zone: string): string {
  if (last === null) return watchText.nothingYet;
  const moment = when(last.at, nowMs(), zone);
  return last.level === null
    ? watchText.lastUnread(moment, UNREAD_WORDS[last.cause ?? "unsure"])
    : watchText.lastRead(moment, last.level);
}

function Kept({ jarId, watch }: { readonly jarId: string; readonly watch: Watch }) {
  const { act, problem } = useAct();
  const [asks, setAsks] = useState(false);
  if (watch.pictures === 0) return null;
  const remove = () => act(http.DELETE("/api/jars/{jar_id}/watch", { params: { path: { jar_id: jarId } } }));
  return (
    <section aria-labelledby="kept" className="flex max-w-prose flex-col items-start gap-2">
      <h2 id="kept" className="text-2xl">
        {watchText.room}
      </h2>
      <p>{watchText.roomSays(watch.pictures, megabytes(watch.bytes), megabytes(watch.most_bytes))}</p>
      <Button onClick={() => setAsks(true)}>{watchText.removeAll}</Button>
      <Refused problem={problem} />
      <Confirm
        open={asks}
        onOpenChange={setAsks}
        title={watchText.removeTitle}
        yes={watchText.removeYes}
        onYes={() => void remove()}
      >
        <p>{watchText.removeSays}</p>
      </Confirm>
    </section>
  );
}
