/** O que diz a moldura à volta de todas as páginas. */
import type * as en from "../en/app";
import type { Spoken } from "../spoken";

export type { KeyAct } from "../en/app";

export const appText: Spoken<typeof en.appText> = {
  openingTheLog: "A abrir o diário",
  notHere: "Não está aqui",
  thereIsNothingAtThis: "Não há nada neste endereço.",
  theJarMayBeAnother:
    "O frasco pode ser de outra pessoa, ou a ligação pode ser antiga. Nada do que escreveu se perdeu.",
  keptOnThisDeviceSent: ". Guardado neste aparelho, segue quando houver ligação.",
  notSentYet: "Ainda por enviar:",
  tryNow: "Tentar agora",
  since: (label, when) => `${label}, anotado ${when}`,
  theKitchenStumblesOver: (label) => `A cozinha tropeça nisto: ${label}.`,
  itIsKeptAndStandsBefore: "Está guardado; tudo o resto segue.",
  letItGoFor: (label) => `Deixar cair ${label}?`,
  itWasNeverSaved: "Nunca chegou à cozinha, e então perde-se.",
  aNewerVersionIsHere: "Há uma versão mais nova.",
  whatYouTypedIsKept: "O que escreveu fica guardado.",
  goOnWithTheNewer: "Passar para ela",
  notAllHasArrived: "Nem tudo chegou à cozinha",
  waitsHere: (labels) => `Por enviar: ${labels}.`,
  itStaysOnThisDevice: "Espera neste aparelho, sem ninguém ver, até voltar a entrar aqui.",
  signOutAllTheSame: "Sair na mesma",
  notTaken: (label) => `Não aceite: ${label}.`,
  openItAgain: "Abrir outra vez",
  letItGo: "Deixar cair",
  openingTheKitchen: "A abrir a cozinha",
  dimForTheNight: "Escurecer para a noite",
  lightForTheDay: "Clarear para o dia",
  despertar: "Despertar",
  places: "Lugares",
  accountOf: (name) => `Conta de ${name}`,
  leaveTheDemo: "Sair do exemplo",
  yourDataAndAccount: "Os seus dados e a conta",
  keys: "Teclas",
  keysAreOn: "Teclas ligadas",
  showThemOnButtons: "Mostrá-las nos botões",
  signOut: "Sair",
  skipToTheMainPart: "Saltar para a parte principal",
  demoKitchenTheBakerThe: "Cozinha de exemplo. O padeiro, os frascos e as datas são inventados.",
};

export const KEY_WORDS: typeof en.KEY_WORDS = {
  look: "Observar o frasco",
  feed: "Alimentar",
  next_jar: "O frasco seguinte na prateleira",
  plan: "O plano",
  quick: "Uma observação ou um refresco numa linha",
  undo: "Desfazer o último do diário",
  kitchen: "A cozinha",
  new_jar: "Um frasco novo",
  signs: "O que mostra?",
  list: "Estas teclas",
};
