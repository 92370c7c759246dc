import { http } from "../../api/client";
import type { Account } from "../../api/types";
import { LANGUAGE_NAMES, LANGUAGES, type Language, speak } from "../../lib/language";
import { LANGUAGE } from "../../lib/locale";
import { Refused, useAct } from "../../parts/act";
import { Choice } from "../../ui/choice";
import { FORM_CHOICES, FORM_NAMES, yoursText } from "../../words";

type Forms = Account["forms"];
const SPOKEN = LANGUAGES.map((value) => ({ value, lang: value, label: LANGUAGE_NAMES[value] }));
const ORDER = ["mass", "warmth", "length", "clock", "decimal", "paper"] as const;

/** In which units and forms the baker reads and types, on screen and on paper. */
export function UnitsPart({ forms }: { readonly forms: Forms }) {
  const { act, problem } = useAct();
  const choose = (part: Partial<Forms>) =>
    act(http.PUT("/api/account/forms", { body: { ...forms, ...part } }));
  const talk = async (language: Language) => {
    if (await act(http.PUT("/api/account/language", { body: { language } }))) speak(language);
  };
  return (
    <section aria-labelledby="units" className="flex flex-col gap-4">
      <h2 id="units" className="text-2xl">
        {yoursText.units}
      </h2>
      <Choice
        label={yoursText.language}
        items={SPOKEN}
        value={LANGUAGE as Language}
        onChange={(to) => to && void talk(to)}
      />
      <p>{yoursText.unitsHow}</p>
      {ORDER.map((name) => (
        <Choice
          key={name}
          label={FORM_NAMES[name]}
          items={FORM_CHOICES[name]}
          value={forms[name] as string}
          onChange={(value) => value && void choose({ [name]: value })}
        />
      ))}
      <Refused problem={problem} />
    </section>
  );
}
