/** The keys of a laptop, by what they do. */

/** What a key of the laptop does. */
export type KeyAct =
  | "look"
  | "feed"
  | "next_jar"
  | "plan"
  | "quick"
  | "undo"
  | "kitchen"
  | "new_jar"
  | "signs"
  | "list";

export const KEY_WORDS: Record<KeyAct, string> = {
  look: "Look at the jar",
  feed: "Feed it",
  next_jar: "The next jar on the shelf",
  plan: "Its plan",
  quick: "A look or a feed in a line",
  undo: "Undo the latest of its log",
  kitchen: "The kitchen",
  new_jar: "A new jar",
  signs: "What does it show?",
  list: "These keys",
};
