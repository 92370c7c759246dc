/** How Portuguese, as it is written in Portugal, writes dates, spans and what joins numbers. */
import type * as en from "./en";

export const LOCALE = "pt-PT";
export const LANGUAGE = "pt";

export const NEAR_DAYS: typeof en.NEAR_DAYS = { 0: "hoje", 1: "amanhã", [-1]: "ontem" };

export const SPANS: typeof en.SPANS = {
  minutes: (minutes) => `${minutes} min`,
  hours: (hours) => `${hours} h`,
  hoursAndMinutes: (hours, minutes) => `${hours} h ${minutes} min`,
  days: (days) => `${days} dias`,
};

export const fromTo: typeof en.fromTo = (from, to) => `${from} a ${to}`;

export const SPOON_SIGNS: typeof en.SPOON_SIGNS = { tsp: "c. chá", tbsp: "c. sopa", cup: "chávena" };
