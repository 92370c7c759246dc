import { useParams } from "react-router";
import { api, isNotThere } from "../api/client";
import { useLog } from "../api/older";
import type { EntryBody, OpenJar } from "../api/types";
import { FeedPage } from "../features/feed";
import { EditDeed } from "../features/jar";
import { EditLeave, EditTerm, EditUse, TERM_KINDS, type TermBody } from "../features/life";
import { LookPage } from "../features/look";
import { NotOpen } from "../parts/not-open";
import { Loading } from "../ui/states";
import { appText } from "../words";
import { Lost } from "./lost";

/** Corrects an entry in the form it was made with. */
export function EditEntry() {
  const { jarId = "", entryId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  if (opened.isPending) return <Loading what={appText.openingTheLog} />;
  if (opened.error)
    return isNotThere(opened.error) ? (
      <Lost />
    ) : (
      <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />
    );
  return <Corrected opened={opened.data} entryId={entryId} />;
}

function Corrected({ opened, entryId }: { readonly opened: OpenJar; readonly entryId: string }) {
  const isRecent = opened.log.some((one) => one.id === entryId);
  const { log, isLooking } = useLog(opened, !isRecent);
  const entry = log.find((one) => one.id === entryId);
  if (!entry && isLooking) return <Loading what={appText.openingTheLog} />;
  if (entry?.entry.kind === "look") return <LookPage editing={entry} />;
  if (entry?.entry.kind === "feed") return <FeedPage editing={entry} />;
  if (entry?.entry.kind === "deed") return <EditDeed opened={opened} editing={entry} deed={entry.entry} />;
  if (entry?.entry.kind === "use") return <EditUse opened={opened} editing={entry} entry={entry.entry} />;
  if (entry?.entry.kind === "leave") return <EditLeave opened={opened} editing={entry} entry={entry.entry} />;
  if (entry && isTerm(entry.entry)) return <EditTerm opened={opened} editing={entry} term={entry.entry} />;
  return <Lost />;
}

function isTerm(entry: EntryBody): entry is TermBody {
  return TERM_KINDS.some((kind) => kind === entry.kind);
}
