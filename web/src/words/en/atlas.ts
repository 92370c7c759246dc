/** What the drawings of the atlas show and what it means. */

export const CLOSE_UP_WORDS = {
  film: {
    name: "Film",
    what: "Thin, flat, white, in folds; lies on top like a cloth. Wild yeast, harmless.",
  },
  mould: {
    name: "Mould",
    what: "Raised and fuzzy, with hairs, any colour, mostly in round spots. Bin all of it.",
  },
  streaks: { name: "Streaks", what: "Pink, orange or red, smooth, in streaks or a stain. Bin all of it." },
  skin: { name: "Dry skin", what: "Darker, dull, cracked when pressed. It only dried out; lift it off." },
} as const;

export const WALL_WORDS = {
  still: { name: "Still", what: "Nothing at the glass. Early, or the quiet days." },
  few: { name: "A few bubbles", what: "The yeast begins to show." },
  through: { name: "All through", what: "Gas from top to bottom: it lives. With a dome, its peak is near." },
  streaks: { name: "Smear above", what: "It was higher and sank back: it is hungry again." },
  layer: { name: "Liquid on top", what: "In the first two days it settles; later it is hungry." },
  rim: { name: "Over the rim", what: "Too much mix for this jar, or very lively." },
} as const;

export const SPOON_WORDS = {
  runny: { name: "Runny", what: "Drops." },
  thin_batter: { name: "Thin batter", what: "A thread." },
  thick_batter: { name: "Thick batter", what: "A ribbon." },
  toothpaste: { name: "Toothpaste", what: "A lump with a peak." },
  soft_dough: { name: "Soft dough", what: "Clings and hangs." },
  putty: { name: "Putty", what: "Keeps its shape." },
} as const;
