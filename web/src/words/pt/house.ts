/** O que se diz na casa. */
import type * as en from "../en/house";
import type { Spoken } from "../spoken";

export const houseText: Spoken<typeof en.houseText> = {
  timeZone: "Fuso horário",
  liveThere: (zone) => `Ir pela hora de ${zone}`,
  thisDeviceIsIn: (zone) => `Este aparelho está em ${zone}.`,
  calendar: "Calendário",
  aPrivateAddressToSubscribe:
    "Um endereço privado para subscrever: os seus refrescos, no seu programa de calendário, a mudar com o plano. Quem o souber vê os refrescos e mais nada. Se escapar, faça outro; o antigo acaba.",
  shownThisOncePutIt: "Mostra-se só esta vez. Ponha-o no seu programa de calendário:",
  makeANewAddress: "Fazer um endereço novo",
  makeAnAddress: "Fazer um endereço",
  endIt: "Acabar com ele",
  makeANewAddress2: "Fazer um endereço novo?",
  makeANewOne: "Fazer outro",
  theOldOneEndsAt: "O antigo acaba logo: os calendários que vão por ele deixam de seguir o plano.",
  askingWhoIsHere: "A ver quem está",
  whoCameAndWent: "Quem entrou e saiu",
  severalHands: "Várias mãos",
  whoeverYouLetInSees:
    "Quem deixar entrar vê todos os seus frascos e pode alimentá-los. O diário diz quem fez o quê.",
  keepsYourKitchenSince: (since) => `trata da sua cozinha desde ${since}`,
  handOver: "Passar tudo",
  handAllOver: (name) => `Passar todos os seus frascos a ${name}?`,
  whatHandingOverDoes:
    "Mudam-se para a cozinha dessa pessoa, com os termómetros deles. Continuam a tratá-los em conjunto, até que alguém o mande sair ou saia por si.",
  showOut: "Mandar sair",
  youKeep: "Trata da cozinha de",
  sKitchen: "",
  since: (since) => `desde ${since}`,
  tellItToOnePerson: "Diga-o a uma só pessoa. Serve uma vez, durante sete dias:",
  inviteSomebody: "Convidar alguém",
  theOpenInvitation: "o convite em aberto",
  openInvitations: (open) => `${open} convites em aberto`,
  callBack: (detail) => `Retirar ${detail}`,
  anInvitationYouWereGiven: "Um convite que lhe deram",
  comeIn: "Entrar",
  flours: "Farinhas",
  whatYouHaveByYour:
    "O que tem, pelos nomes que lhes dá: aparecem primeiro num frasco novo e na lista de compras.",
  kitchenScale: "Balança de cozinha",
  aScalesBridgeOnThis:
    "A ponte de uma balança, neste computador, é lida enquanto alimenta, quando lá carregar em “Ler a minha balança”. Procura-se em",
  inTheDemoASimulated:
    ". Na cozinha de exemplo há ali uma simulada, com uma página sua para se lhe pôr peso.",
  reminders: "Lembretes",
  doNotRemindMe: "Não me lembrar",
  youAreNotReminded: "Não recebe lembretes. Outros que tratam destes frascos recebem, se quiserem.",
  remindMe: "Lembrar-me",
  oneForEachActIn:
    "Um por tarefa, nas suas horas, nenhum para o que está feito. Desta máquina não sai correio nem aviso: vão para esta caixa do correio simulada.",
  stopNoticesInThisBrowser: "Parar os avisos neste navegador",
  noticesInThisBrowserToo: "Avisos também neste navegador",
  thisBrowserDoesNotAllow: "Este navegador não os permite. A caixa do correio continua.",
  lookingIntoThePostbox: "A ver a caixa do correio",
  thePostboxCannotBeReached: "Agora não se chega à caixa do correio.",
  sent: "Enviados",
  nothingYet: "Ainda nada.",
  toCome: "Por vir",
  nothingIsPlanned: "Nada planeado.",
  readingTheThermometers: "A ler os termómetros",
  thermometers: "Termómetros",
  aDevicePostsHowWarm:
    "Um aparelho diz a temperatura do seu sítio; um frasco ali ao lado é então julgado por isso. Escolha-o na página do frasco.",
  hasSaidNothingYet: "ainda não disse nada",
  withdraw: "Retirar",
  itsTokenShownThisOnce: "A senha dele, mostrada só esta vez. Ponha-a no aparelho:",
  place: "Lugar",
  topOfTheFridge: "Em cima do frigorífico",
  setOneUp: "Montar um",
  it: "ele",
  withdraw2: (detail) => `Retirar ${detail}?`,
  withdrawIt: "Retirar",
  itsTokenEndsWhatIt:
    "A senha acaba. O que escreveu fica; daqui em diante os frascos ao lado vão pela temperatura dita à mão.",
  about: "Acerca",
  versionOf: (version) => `Despertar ${version}`,
  fromOthers: "O que nele vem de outros",
  fromOthersWhat: "Tipos de letra e programas que vêm com ele, e as suas licenças.",
  fetchingNotices: "A buscar as notas",
  noNotices: "As notas não se podem ler aqui: fazem-se quando se constrói a interface.",
};

export const passedLine: typeof en.passedLine = ({ what, who, by }) => {
  switch (what) {
    case "invited":
      return `${by} fez um convite.`;
    case "called_back":
      return `${by} retirou os convites por usar.`;
    case "came_in":
      return `${who} entrou por convite.`;
    case "shown_out":
      return `${by} pôs ${who} fora.`;
    case "left":
      return `${who} saiu.`;
    case "handed_over":
      return `${by} passou a cozinha a ${who}.`;
  }
};
