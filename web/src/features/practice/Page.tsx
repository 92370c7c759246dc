import { Link, useNavigate } from "react-router";
import type { SituationCode } from "../../api/types";
import { useTitle } from "../../lib/hooks";
import { Button } from "../../ui/button";
import { practiceText, SITUATION_WORDS } from "../../words";
import { ForClass } from "./ForClass";
import { OnThisDevice } from "./OnThisDevice";
import { anySeed } from "./story";

const CODES = Object.keys(SITUATION_WORDS) as SituationCode[];

/** The situations to choose from, and what a teacher needs. */
export function PracticePage() {
  useTitle(practiceText.title);
  const navigate = useNavigate();
  const surprise = () => {
    const code = CODES[Math.floor(Math.random() * CODES.length)];
    void navigate(`/practice/${code}?seed=${anySeed()}&surprise=1`);
  };
  return (
    <div className="pt-6">
      <h1 className="text-3xl">{practiceText.title}</h1>
      <p className="mt-1 max-w-prose text-soft">{practiceText.lead}</p>
      <OnThisDevice />
      <Button look="act" className="mt-5" onClick={surprise}>
        {practiceText.surprise}
      </Button>
      <ul className="mt-6 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {CODES.map((code) => (
          <li key={code}>
            <Link
              to={`/practice/${code}`}
              className="flex h-full flex-col gap-1 rounded-xl border border-edge bg-card p-4 no-underline hover:border-crust"
            >
              <span className="text-lg font-semibold">{SITUATION_WORDS[code].name}</span>
              <span className="text-soft">{SITUATION_WORDS[code].lead}</span>
            </Link>
          </li>
        ))}
      </ul>
      <ForClass />
    </div>
  );
}
