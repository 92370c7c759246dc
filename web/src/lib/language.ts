/** The languages that are spoken, and how another is chosen: each is a page of its own, which the server gives. */

export type Language = "en" | "pt";

/** Each by its own name for itself, so that it is found by who reads no other. */
export const LANGUAGE_NAMES: Readonly<Record<Language, string>> = { en: "English", pt: "Português" };

export const LANGUAGES = Object.keys(LANGUAGE_NAMES) as Language[];

const A_YEAR_S = 365 * 24 * 3600;

const TRIED = "despertar.language";

/**
 * The page is another language's than the account's: it is fetched anew, once. Without a network the old page comes again,
 * and goes on.
 */
export function speakAsChosen(chosen: Language | null, spoken: string): void {
  if (chosen === null || chosen === spoken) {
    sessionStorage.removeItem(TRIED);
    return;
  }
  if (sessionStorage.getItem(TRIED) === chosen) return;
  sessionStorage.setItem(TRIED, chosen);
  location.reload();
}

/** This browser asks for it from now on, the page included. */
export function speak(language: Language): void {
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is not in every browser, and no page but this reads it
  document.cookie = `despertar_language=${language}; path=/; max-age=${A_YEAR_S}; samesite=lax`;
  location.reload();
}
