import { useQuery } from "@tanstack/react-query";
import { houseText } from "../../words";

/** Made when the front end is built: every package that is shipped with it or beside it, and its licence. */
const NOTICES = ["/notices.md", "/python/notices.md"] as const;

async function fetchNotices(): Promise<string> {
  const answers = await Promise.all(NOTICES.map((path) => fetch(path)));
  const wrong = answers.find(({ ok }) => !ok);
  if (wrong) throw new Error(String(wrong.status));
  return (await Promise.all(answers.map((answer) => answer.text()))).join("\n");
}

/** Which version this is, and what in it comes from others. */
export function AboutPart({ version }: { readonly version: string }) {
  return (
    <section aria-labelledby="about" className="min-w-0">
      <h2 id="about" className="text-2xl">
        {houseText.about}
      </h2>
      <p className="mt-2">{houseText.versionOf(version)}</p>
      <details>
        <summary className="min-h-11 py-2 font-semibold text-crust">{houseText.fromOthers}</summary>
        <p>{houseText.fromOthersWhat}</p>
        <Notices />
      </details>
    </section>
  );
}

function Notices() {
  const notices = useQuery({ queryKey: NOTICES, queryFn: fetchNotices, retry: false });
  if (notices.isPending) return <p role="status">{houseText.fetchingNotices}</p>;
  if (!notices.data) return <p role="alert">{houseText.noNotices}</p>;
  return (
    <pre
      lang="en"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
      tabIndex={0}
      className="mt-2 max-h-80 overflow-auto rounded-lg border border-rule bg-card p-3 text-sm whitespace-pre-wrap"
    >
      {notices.data}
    </pre>
  );
}
