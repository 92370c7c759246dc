/** A page of one jar: opening it, why it cannot be, and then what is shown of it. */
import type { ReactNode } from "react";
import { useParams } from "react-router";
import { api } from "../api/client";
import type { OpenJar } from "../api/types";
import { Loading } from "../ui/states";
import { commonText } from "../words";
import { NotOpen } from "./not-open";

export function OfJar({ children }: { readonly children: (opened: OpenJar) => ReactNode }) {
  const { jarId = "" } = useParams();
  const opened = api.useQuery("get", "/api/jars/{jar_id}", { params: { path: { jar_id: jarId } } });
  if (opened.isPending) return <Loading what={commonText.openingTheJar} />;
  if (!opened.data)
    return <NotOpen jarId={jarId} error={opened.error} onRetry={() => void opened.refetch()} />;
  return children(opened.data);
}
