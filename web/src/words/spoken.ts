/** What holds for words is that nothing is missing and nothing is left over: other languages are typed by the English. */

/** Kept as they are: codes among the words, not words. */
type Code = "value" | "grave";

/** The same words in another language: every text any text, every function one of the same parts. */
export type Spoken<Words> = Words extends string
  ? string
  : Words extends (...given: infer Given) => infer Answer
    ? (...given: Given) => Spoken<Answer>
    : { readonly [Name in keyof Words]: Name extends Code ? Words[Name] : Spoken<Words[Name]> };
