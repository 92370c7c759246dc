/** O que mostram os desenhos do atlas, e o que quer dizer. */
import type * as en from "../en/atlas";
import type { Spoken } from "../spoken";

export const CLOSE_UP_WORDS: Spoken<typeof en.CLOSE_UP_WORDS> = {
  film: {
    name: "Película",
    what: "Fina, lisa, branca, em pregas; pousada como um pano. Levedura selvagem, não faz mal.",
  },
  mould: {
    name: "Bolor",
    what: "Em relevo e felpudo, com pelos, de qualquer cor, quase sempre em manchas redondas. Tudo para o lixo.",
  },
  streaks: {
    name: "Riscos",
    what: "Rosa, laranja ou vermelhos, lisos, em riscos ou numa mancha. Tudo para o lixo.",
  },
  skin: { name: "Pele seca", what: "Mais escura, baça, fende ao carregar. Só secou; levante-a." },
};

export const WALL_WORDS: Spoken<typeof en.WALL_WORDS> = {
  still: { name: "Parado", what: "Nada junto ao vidro. É cedo, ou são os dias quietos." },
  few: { name: "Algumas bolhas", what: "A levedura começa a mostrar-se." },
  through: {
    name: "Por todo o lado",
    what: "Gás de cima a baixo: está vivo. Com cúpula, o pico está perto.",
  },
  streaks: { name: "Rasto acima", what: "Esteve mais alto e desceu: tem fome outra vez." },
  layer: { name: "Líquido por cima", what: "Nos dois primeiros dias assenta; mais tarde é fome." },
  rim: { name: "Por cima do bordo", what: "Massa a mais para este frasco, ou muito viva." },
};

export const SPOON_WORDS: Spoken<typeof en.SPOON_WORDS> = {
  runny: { name: "Líquida", what: "Gotas." },
  thin_batter: { name: "Polme ralo", what: "Um fio." },
  thick_batter: { name: "Polme espesso", what: "Uma fita." },
  toothpaste: { name: "Pasta de dentes", what: "Um monte com bico." },
  soft_dough: { name: "Massa mole", what: "Agarra e fica pendurada." },
  putty: { name: "Massa firme", what: "Guarda a forma." },
};
