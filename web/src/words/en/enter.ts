/** What is said where a sheet that was written by hand is entered. */

export const enterText = {
  aWrittenSheetOf: (name: string) => `A written sheet of ${name}`,
  enterAWrittenSheet: "Enter a written sheet",
  aRowForEach:
    "A row for each line of the sheet. What was fed counts as planned; correct it in the log where it was not.",
  level: "Level",
  fedThen: "fed then",
  anotherRow: "Another row",
  oneRowLess: "One row less",
  thoseAbove: "What stood before it is written down.",
  writeThemDown: "Write them down",
  written: (rows: number) => `${rows === 1 ? "One row is" : `${rows} rows are`} written down.`,
};
