/** O que se diz onde se passa a limpo uma folha escrita à mão. */
import type * as en from "../en/enter";
import type { Spoken } from "../spoken";

export const enterText: Spoken<typeof en.enterText> = {
  aWrittenSheetOf: (name) => `Uma folha escrita de ${name}`,
  enterAWrittenSheet: "Passar uma folha escrita",
  aRowForEach:
    "Uma linha por cada linha da folha. O que foi dado conta como planeado; corrija no diário onde não foi assim.",
  level: "Nível",
  fedThen: "alimentado então",
  anotherRow: "Mais uma linha",
  oneRowLess: "Menos uma linha",
  thoseAbove: "O que estava antes ficou escrito.",
  writeThemDown: "Escrever tudo",
  written: (rows) => (rows === 1 ? "Uma linha ficou escrita." : `${rows} linhas ficaram escritas.`),
};
