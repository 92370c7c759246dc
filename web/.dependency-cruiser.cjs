/** Who may import whom in the front end. */
const rule = (name, from, to, comment) => ({ name, severity: "error", from, to, comment });

module.exports = {
  forbidden: [
    rule("no-circles", {}, { circular: true }, "Rooms that need each other are one room."),
    rule(
      "features-apart",
      { path: "^src/features/([^/]+)/" },
      { path: "^src/features/([^/]+)/", pathNot: "^src/features/$1/" },
      "A feature never imports another; they meet in addresses.",
    ),
    rule(
      "shared-knows-no-feature",
      { path: "^src/(ui|lib|drawing|words|api|parts)/" },
      { path: "^src/(features|app)/" },
      "What all use knows nothing of those who use it.",
    ),
    rule("nobody-imports-app", { path: "^src/(?!app/)" }, { path: "^src/app/" }, "The shell is the top."),
    rule(
      "drawing-and-ui-without-api",
      { path: "^src/(ui|lib|drawing)/" },
      { path: "^src/(api|parts)/" },
      "Drawings and controls know no server.",
    ),
    rule(
      "one-language-at-a-time",
      { path: "^src/(?!words/)" },
      { path: "^src/words/.+/" },
      "Words come through words, so that a second language is a second folder.",
    ),
    rule(
      "a-language-by-itself",
      { path: "^src/words/(?!en/)[a-z]+/" },
      { path: "^src/words/en/", dependencyTypesNot: ["type-only"] },
      "Another language is measured by the English and says none of it.",
    ),
    rule("lib-is-the-bottom", { path: "^src/lib/" }, { path: "^src/(?!lib/)" }, "The bottom room."),
    rule("radix-only-in-ui", { path: "^src/(?!ui/)" }, { path: "radix-ui" }, "Each primitive is wrapped once, in ui."),
    rule(
      "contract-only-through-api",
      { path: "^src/(?!api/)" },
      { path: "^src/api/contract" },
      "Generated types come through api.",
    ),
    rule(
      "words-only-types-of-api",
      { path: "^src/words/" },
      { path: "^src/api/", dependencyTypesNot: ["type-only"] },
      "Words need the codes, not the calls.",
    ),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.test\\.tsx?$" },
  },
};
