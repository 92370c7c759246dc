import type { Plugin } from "vite";

/**
 * One build speaks one language: `words/index.ts` and `lib/locale.ts` name the English folder and file, and a build for
 * another language reads its own in their place. So a page carries one language's words and no other's.
 *
 * `pseudo` is English with every word made longer and foreign, for the tests: what still reads as English was never given
 * to be translated, and what overflows would in a language of longer words.
 */
const PAGES = {
  en: {
    lang: "en",
    description: "Raise a sourdough starter, day by day.",
    noScript: "Despertar needs JavaScript, which is switched off in this browser.",
  },
  pt: {
    lang: "pt-PT",
    description: "Criar massa-mãe, dia a dia.",
    noScript: "O Despertar precisa de JavaScript, que está desligado neste navegador.",
  },
  // The tags that the Unicode locale data keep for made-up languages.
  pseudo: { lang: "en-XA", description: "", noScript: "" },
};

type Language = keyof typeof PAGES;

export function languageAsked(): Language {
  const asked = process.env.DESPERTAR_LANGUAGE ?? "en";
  if (asked in PAGES) return asked as Language;
  throw new Error(`DESPERTAR_LANGUAGE is one of: ${Object.keys(PAGES).join(", ")}`);
}

const SWITCHES = /\/src\/(words\/index|lib\/locale)\.ts$/;
const ENGLISH = /\/src\/(words\/en\/|lib\/locales\/en\.ts)/;

export function speaking(language: Language): Plugin[] {
  const { lang, description, noScript } = PAGES[language];
  const chosen: Plugin = {
    name: "despertar-language",
    enforce: "pre",
    resolveId(source, importer) {
      const isSwitch = importer && SWITCHES.test(importer) && source.endsWith("/en");
      if (!isSwitch || language === "en" || language === "pseudo") return null;
      return this.resolve(source.replace(/en$/, language), importer, { skipSelf: true });
    },
    transform(code, id) {
      return language === "pseudo" && ENGLISH.test(id) ? stretched(code) : null;
    },
    transformIndexHtml: (page) =>
      page
        .replace('lang="en"', `lang="${lang}"`)
        .replace(PAGES.en.description, description)
        .replace(PAGES.en.noScript, noScript),
  };
  const named: Plugin = {
    name: "despertar-page",
    enforce: "post",
    // One folder holds the pages of all languages, and of each what its scripts are.
    generateBundle(_, bundle) {
      const page = bundle["index.html"];
      if (page) page.fileName = `${language}.html`;
      // A worker's script is an asset to the page's build.
      const scripts = Object.keys(bundle)
        .filter((name) => name.endsWith(".js"))
        .map((name) => `/${name}`);
      const fileName = `assets/${language}/scripts.json`;
      this.emitFile({ type: "asset", fileName, source: JSON.stringify(scripts.sort()) });
    },
  };
  return [chosen, named];
}

/** What names a language to machines. */
const TAGS = new Set(["LOCALE", "LANGUAGE"]);

/** A module of words whose exports are all said in the pseudo-language. */
function stretched(code: string): string {
  const names: string[] = [];
  const kept = code.replace(/^export (?=(?:const|function) (\w+))/gm, (_, name: string) => {
    if (TAGS.has(name)) return "export ";
    names.push(name);
    return "";
  });
  const wrapped = names.map(
    (name) => `const said_${name} = stretch(${name}); export { said_${name} as ${name} };`,
  );
  return `import { stretch } from "/build/stretch.ts";\n${kept}\n${wrapped.join("\n")}\n`;
}
