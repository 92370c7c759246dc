/** Usual things of a kitchen, by name. */
import type { Glass, UsualPlace } from "../../api/types";

export const GLASS_WORDS: Record<Glass, string> = {
  small: "small",
  usual: "usual",
  large: "large",
  tall: "tall",
};

export const PLACE_WORDS: Record<UsualPlace, string> = {
  cool_room: "a cool room",
  kitchen: "the kitchen",
  fridge_top: "top of the fridge",
  warm_box: "a warm box",
};

/** How wide a jar is at its rim against its bottom: near enough to read a level by. */
export const SHAPE_WORDS = [
  { value: "1", label: "straight" },
  { value: "1.2", label: "opens a little", hint: "a fifth wider at the rim" },
  { value: "1.4", label: "opens wide", hint: "like a bowl" },
  { value: "0.85", label: "narrows", hint: "at the rim" },
] as const;

/** Something to call it until the baker knows better. */
export const JAR_NAMES = [
  "Pebble",
  "Thicket",
  "Kettle",
  "Marsh",
  "Rafter",
  "Clover",
  "Gable",
  "Ember",
  "Furrow",
  "Wren",
];
