/** O frasco do descarte como está na prateleira: o nome, quanto e de quando, o que mostra. */
import type { DiscardJar, DiscardSign } from "../../api/types";
import { counted, grams, list } from "../../lib/numbers";
import type * as en from "../en/discard";

export const DISCARD_NAMES: typeof en.DISCARD_NAMES = {
  with_gluten: "Frasco do descarte",
  gluten_free: "Frasco do descarte sem glúten",
};

function age(oldest: string, now: string): string | null {
  const days = Math.floor((Date.parse(now) - Date.parse(oldest)) / 86_400_000);
  return days < 1 ? null : `${days} ${counted(days, "dia", "dias")}`;
}

export const discardLine: typeof en.discardLine = (jar, now) => {
  if (jar.total_g <= 0 || jar.oldest_at === null) return jar.washed ? "Vazio, e lavado." : "Vazio.";
  const days = age(jar.oldest_at, now);
  return `${grams(Math.round(jar.total_g))}, ${days ? `a parte mais antiga com ${days}` : "de hoje"}.`;
};

export const discardShort: typeof en.discardShort = (jar, now) => {
  if (jar.total_g <= 0 || jar.oldest_at === null) return "vazio";
  const days = age(jar.oldest_at, now);
  return `${grams(Math.round(jar.total_g))}, ${days ? `com ${days}` : "de hoje"}`;
};

const SIGNS: Record<DiscardSign, Omit<ReturnType<typeof en.discardSign>, "question">> = {
  spoiled: {
    grave: "danger",
    meaning: "Felpudo, rosa ou laranja: isso é estrago.",
    advice: "Tudo para o lixo, sem provar nada, e lave o frasco com água quente antes de lá pôr mais.",
  },
  doubtful: {
    grave: "care",
    meaning: "Um frasco que lhe deu viu-se depois estragado.",
    advice: "O que lá entrou antes pode tê-lo trazido. Na dúvida, tudo para o lixo e lave o frasco.",
  },
  too_old: {
    grave: "care",
    meaning: "A parte mais antiga tem mais de duas semanas.",
    advice: "Já está muito ácido. Para o composto, lave o frasco, e comece outro.",
  },
  old: {
    grave: "normal",
    meaning: "A parte mais antiga tem mais de uma semana.",
    advice: "Use-o nos próximos dias, o mais antigo primeiro.",
  },
  full: {
    grave: "normal",
    meaning: "Está cheio.",
    advice: "Use um pouco, o mais antigo primeiro, antes de o próximo refresco dar mais.",
  },
  film: {
    grave: "care",
    meaning: "Uma película fina, lisa e branca é levedura selvagem.",
    advice: "Levante-a e use o resto em breve; felpudo ou com cor, vai tudo.",
  },
  liquid: {
    grave: "normal",
    meaning: "Líquido por cima é ali normal.",
    advice: "Misture-o ou escorra-o.",
  },
};

export const discardSign: typeof en.discardSign = (sign: DiscardSign, jar: DiscardJar) => {
  const said = SIGNS[sign];
  const meaning =
    sign === "doubtful" ? `Recebeu de ${list(jar.doubtful)}, que se viu depois estragado.` : said.meaning;
  return { ...said, meaning, question: null };
};
