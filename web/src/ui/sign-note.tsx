const EDGES = { danger: "border-alarm", care: "border-crust", normal: "border-rule" } as const;

/** What a sign means and what to do; where it is not sure, the question that would settle it. */
export function SignNote({
  grave,
  meaning,
  advice,
  question,
}: {
  readonly grave: "danger" | "care" | "normal";
  readonly meaning: string;
  readonly advice: string;
  readonly question: string | null;
}) {
  return (
    <p className={`max-w-prose border-s-4 ps-4 ${EDGES[grave]}`}>
      <span className={`font-semibold ${grave === "danger" ? "text-alarm" : ""}`}>{meaning}</span> {advice}
      {question && <span className="block text-soft">{question}</span>}
    </p>
  );
}
