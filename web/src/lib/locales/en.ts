/** How English writes dates, spans and what joins numbers. */

export const LOCALE = "en-GB";
export const LANGUAGE = "en";

/** Days near today. */
export const NEAR_DAYS: Record<number, string> = { 0: "today", 1: "tomorrow", [-1]: "yesterday" };

export const SPANS = {
  minutes: (minutes: number) => `${minutes} min`,
  hours: (hours: number) => `${hours} h`,
  hoursAndMinutes: (hours: number, minutes: number) => `${hours} h ${minutes} min`,
  days: (days: number) => `${days} days`,
};

/** `24 to 26 °C` */
export function fromTo(from: string, to: string): string {
  return `${from} to ${to}`;
}

/** Spoons and cups by their signs. */
export const SPOON_SIGNS: Record<string, string> = { tsp: "tsp", tbsp: "tbsp", cup: "cup" };
