/** O que dizem os desenhos: na linha da subida, e as figuras do atlas a quem não as vê. */
import type * as en from "../en/drawing";
import type { Spoken } from "../spoken";

export const drawingText: Spoken<typeof en.drawingText> = {
  riseLineScrolls: "Linha da subida, desliza para os lados",
  doubled: "dobrou",
  now: "agora",
  dayNumber: (day) => `dia ${day}`,
  hoursSince: (hours) => `${hours} h`,
  aThinFlatFilmIn: "uma película fina e lisa, em pregas",
  raisedTuftsWithHairs: "tufos em relevo, com pelos",
  colouredStreaks: "riscos de cor",
  aDrySkinWithCracks: "uma pele seca com fendas",
  noBubbles: "sem bolhas",
  aFewSmallBubbles: "algumas bolhas pequenas",
  bubblesAllThrough: "bolhas por todo o lado",
  aSmearAboveTheLevel: "um rasto acima do nível",
  liquidOnTopOfA: "líquido por cima de uma massa rala",
  overTheRim: "por cima do bordo",
  runsOffInDrops: "escorre em gotas",
  runsOffInAThread: "escorre em fio",
  fallsInARibbonThat: "cai em fita, que demora a desfazer-se",
  fallsInALumpThat: "cai num monte que guarda o bico",
  clingsAndHangs: "agarra-se e fica pendurada",
  aBallThatKeepsIts: "uma bola que guarda a forma",
};
