/** O que se pode escolher num método, pelo nome. */
import type * as en from "../en/options";

export const OPTION_WORDS: typeof en.OPTION_WORDS = {
  way: { label: "Modo" },
  origin: { label: "A partir de" },
  every_hours: { label: "Ritmo" },
  twice_from_day: { label: "Duas vezes por dia a partir do" },
  first_days: { label: "Primeiros dias" },
  keeping: { label: "O que se guarda ao alimentar" },
  jar: { label: "Frasco" },
  seed_grams: { label: "Massa-mãe guardada de cada vez", hint: "Menos guardado, menos desperdício." },
  start_grams: { label: "Peso de farinha para começar" },
  feed_grams: { label: "Farinha de cada vez", hint: "E outro tanto de água." },
  culture_grams: { label: "Cultura que entra", hint: "As lascas, ou a pitada congelada." },
  target_grams: { label: "Peso que a receita pede" },
  reserve_grams: { label: "Peso a guardar" },
  cold_days: { label: "Dias no frigorífico entre refrescos" },
  flour_parts: { label: "Farinha para uma parte de massa-mãe", hint: "E outro tanto de água." },
  hydration_percent: { label: "Água em relação à farinha" },
  juice_percent: { label: "Do líquido, sumo" },
  salt_percent: { label: "Sal em relação à farinha" },
  first_blend: { label: "Farinha para começar" },
  middle_blend: { label: "Farinha a meio" },
  blend: { label: "Farinha dos refrescos" },
};
