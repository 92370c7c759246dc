import { counted, degrees } from "../../lib/numbers";
import type * as en from "../en/practice";
import type { Spoken } from "../spoken";

export const SITUATION_WORDS: typeof en.SITUATION_WORDS = {
  overflow: {
    name: "Cheio demais no dia 1",
    lead: "Alguém encheu um frasco pequeno quase até à borda com centeio fresco, e está calor. Agora é seu.",
    remember:
      "A espuma dos primeiros dias é de bactérias precoces, e sobe. Deixe a um frasco novo metade da altura para crescer, e nunca uma tampa apertada.",
  },
  hush: {
    name: "O silêncio do dia 4",
    lead: "Espumou no dia 2. Agora nada mexe.",
    remember:
      "Silêncio do dia 3 ao 6 é o costume. Um refresco por dia, e esperar: mais comida só dilui as poucas leveduras.",
  },
  missed_night: {
    name: "Perdido na noite",
    lead: "Alimentada ontem às oito da noite. De manhã está baixa, com uma marca no vidro.",
    remember: "Uma marca acima da altura é o pico que ninguém viu. Subiu e desceu: alimente-a, está bem.",
  },
  too_often: {
    name: "Alimentada vezes demais",
    lead: "Um refresco grande de oito em oito horas, desde o dia 3. Fica mais pálida e mais fina.",
    remember: "Uma massa jovem alimentada antes de comer fica diluída. Espere até mostrar que tem fome.",
  },
  cold_week: {
    name: "A semana fria",
    get lead() {
      return `${degrees(16)} na cozinha, dia 6, e pouco que ver.`;
    },
    remember: "Frio é devagar, não é morte. Alguns graus a mais ajudam; mais refrescos não.",
  },
  film_or_mould: {
    name: "Película ou bolor?",
    lead: "Esteve fora quatro dias. Cresceu alguma coisa por cima.",
    remember:
      "Uma película branca, fina e lisa, tira-se, e alimenta-se o frasco. Tudo o que tenha pelo ou cor vai para o lixo, inteiro, sem cheirar.",
  },
  pink: {
    name: "Um risco no vidro",
    lead: "Dia 6, a horas do refresco. Há um risco que antes não estava lá.",
    remember:
      "Rosa, laranja ou vermelho quer dizer estragado. Vai o frasco inteiro, fizesse o que fizesse antes.",
  },
  early_liquid: {
    name: "Água por cima, dia 1",
    lead: "Misturada esta manhã, um pouco mole. À noite tem água por cima.",
    remember: "Nos primeiros dias, água por cima é só a mistura a assentar. Mexa, e espere.",
  },
  late_liquid: {
    name: "Água por cima, dia 8",
    lead: "Dois dias sem refresco, numa cozinha quente.",
    remember: "Mais tarde, líquido por cima é fome. Misture-o ou deite-o fora, e alimente.",
  },
  fridge_month: {
    name: "Um mês no frigorífico, visitas no sábado",
    lead: "Dormiu quatro semanas. Daqui a quatro dias, às seis da tarde, deve ter crescido bem.",
    remember: "A dormir não é morta, mas quer alguns refrescos ao calor. Tire-a a tempo.",
  },
  float: {
    name: "Flutuar não quer dizer nada",
    lead: "Dia 2, cheia de espuma. Uma colher dela flutua na água. Pão hoje?",
    remember:
      "Flutuar mostra gás, não levedura: as bactérias precoces também o fazem. Coza quando crescer refresco após refresco.",
  },
  rye: {
    name: "O centeio que nunca dobra",
    lead: "Duas semanas de idade, alimentado esta manhã. Sobe como sempre, e pára antes do dobro.",
    remember: "O centeio segura pouco gás. Contam as bolhas por todo o lado e a hora certa, não o dobro.",
  },
  levain: {
    name: "Um fermento para as nove",
    lead: "É noite, e foi alimentada de manhã. Amanhã às nove deve estar no ponto, nem nova nem caída.",
    remember:
      "O tamanho do refresco e o calor marcam a hora: um grande para uma noite, um pequeno para uma tarde.",
  },
};

export const DOING_WORDS: typeof en.DOING_WORDS = {
  look: "Ver de perto",
  wait: "Deixá-la estar",
  stir: "Mexer",
  feed: "Alimentar",
  feed_large: "Um refresco grande",
  feed_thick: "Um refresco firme",
  warmer: "Um sítio mais quente",
  cooler: "Um sítio mais fresco",
  other_jar: "Um frasco maior",
  to_fridge: "Para o frigorífico",
  to_counter: "Fora do frigorífico",
  bake: "Cozer com ela",
  bin: "Deitar fora",
};

export const DOING_HINTS: typeof en.DOING_HINTS = {
  feed: "fica um terço",
  feed_large: "fica um nono",
  feed_thick: "com menos água",
  warmer: "um canto quente",
  cooler: "um canto fresco",
};

export const MEANING_WORDS: typeof en.MEANING_WORDS = {
  nothing_yet: "Ainda nada, é cedo",
  false_dawn: "Sobe, mas não por levedura",
  hush: "Silêncio, próprio da idade",
  waking: "A levedura vem aí",
  awake: "Acordada e bem",
  hungry: "Com fome",
  thinned: "Diluída",
  cold: "Frio, só mais lenta",
  settled: "A mistura assentou",
  film: "Uma película inofensiva",
  spoiled: "Estragada",
  resting: "Em repouso",
};

export const ENDING_WORDS: typeof en.ENDING_WORDS = {
  well: "Correu bem: o frasco vive, e cresce como pode.",
  behind: "Vive, mas está atrasado: em boas mãos já cresceria mais.",
  lost: "Quase não tem levedura. Teria de ser criado quase de novo.",
  hungry: "Vive, mas está com fome: ficou tempo demais sem refresco.",
  ran_over: "Transbordou.",
  binned_rightly: "Para o lixo, e bem: estava estragado.",
  binned_alive: "Para o lixo, e estava vivo.",
  spoiled_kept: "Estava estragado, e ficou. Numa cozinha, alguém podia adoecer.",
  baked_well: "Uma boa massa: tinha levedura para isso.",
  baked_too_soon: "Um tijolo: havia gás, mas quase nenhuma levedura.",
  ripe: "No ponto à hora certa.",
  not_ripe: "À hora certa não estava no ponto.",
};

export const OPINION_WORDS: typeof en.OPINION_WORDS = {
  liked: "como o frasco queria",
  not_liked: "não como o frasco queria",
  unsure: "aqui nem as regras têm a certeza",
};

export const SUPPOSED_WORDS: typeof en.SUPPOSED_WORDS = {
  left_out: "não se tivesse feito",
  later: "se tivesse feito mais tarde",
  larger_feed: "tivesse sido um refresco maior",
  smaller_feed: "tivesse sido um refresco menor",
  warmer: "ficasse mais quente daí em diante",
  cooler: "ficasse mais fresco daí em diante",
};

export const practiceText: Spoken<typeof en.practiceText> = {
  title: "Treino",
  lead: "Conheça a falsa aurora antes que ela o conheça. Frascos de cinco minutos: são feitos pelo modelo, cada um um pouco diferente, e nada deles entra na sua cozinha.",
  surprise: "Surpresa",
  another: "Outras situações",
  opening: "A misturar o frasco de treino",
  modelled: "Um frasco de treino, feito pelo modelo",
  day: (day, clock) => `Dia ${day}, ${clock}`,
  left: (hours) => (hours >= 48 ? `faltam ${Math.round(hours / 24)} dias` : `faltam ${Math.ceil(hours)} h`),
  warmth: (degrees) => `${degrees} junto ao frasco`,
  lineIs: "a linha com etiqueta marca onde estava ao ser alimentado",
  time: "Tempo",
  run: "Deixar correr o tempo",
  stop: "Parar o tempo",
  hour: "Mais uma hora",
  event: "Até acontecer alguma coisa",
  speed: "Com que pressa",
  speeds: { slow: "devagar", usual: "uma hora por fôlego", fast: "depressa" },
  decide: "O que faz?",
  seen: "O que se vê e cheira",
  readLevel: "A altura, a olho",
  dragLevel: "Arraste a pega até onde a massa está agora.",
  means: "O que quer isso dizer?",
  noteLook: "É isto que vejo",
  closeLook: "Já vi",
  looked: "Anotado. O tempo está parado até o deixar correr.",
  did: (what) => `Feito: ${what}.`,
  hint: "Pedir uma pista",
  noHint: "Os sinais só dizem que segue o seu caminho.",
  askSure: "Isso acaba com este frasco. Tem a certeza?",
  yesEnd: "Sim",
  away: "Não se chega à cozinha, e o modelo está lá. O tempo está parado; o que fez fica guardado.",
  again: "Tentar de novo",
  bringing: (percent) => `A guardar neste dispositivo, para continuar sem rede: ${percent}.`,
  onDevice: "O treino está neste dispositivo, e continua sem rede.",
  offered: "Sem rede, o treino só continua depois de estar neste dispositivo.",
  bring: (megabytes) => `Guardar neste dispositivo (${megabytes} MB)`,
  notBrought: "Não foi possível guardá-lo neste dispositivo; sem rede ficaria parado.",
  worksItOut:
    "Não se chega à cozinha: este dispositivo faz as contas sozinho. A primeira vez demora um pouco.",
  giveUp: "Começar de novo",
  toldTitle: "No que deu",
  judging: "A perguntar às regras",
  share: (percent) => `Com mais um refresco, cresce ${percent} do que o mesmo frasco cresceria em boas mãos.`,
  remember: "Para lembrar",
  trueLine: "A linha verdadeira, e as suas observações ao lado",
  trueLineSummary: (name, high) => `A linha verdadeira de ${name}, no máximo ${high}`,
  decisions: "Cada decisão",
  noDecisions: "Deixou-a estar o tempo todo.",
  lookAt: (level, truth) => `Leu ${level}; estava em ${truth}.`,
  said: (meaning) => `Disse: ${meaning}.`,
  meantRight: "É o que dizem os sinais.",
  meantWrong: (means) => `Os sinais dizem: ${means}.`,
  playAnew: "Outro frasco deste género",
  sameAgain: "O mesmo frasco outra vez",
  link: "Uma ligação para este mesmo frasco",
  linkCopied: "A ligação foi copiada.",
  result: "Guardar o resultado para quem ensina",
  resultName: "O seu nome nele",
  forClass: "Para uma turma",
  classHint:
    "Dê a todos a ligação de um frasco. Cada um guarda o resultado no fim; junte aqui esses ficheiros, e fazem uma só tabela. Cada um é julgado de novo.",
  classFiles: "Escolher ficheiros de resultados",
  classMade: (count) => `${count} ${counted(count, "resultado está", "resultados estão")} na tabela.`,
  classJudging: "A avaliar os resultados",
  classJudged: (done, all) => `${done} de ${all} avaliados`,
  classLeftOut: (file, why) => `${file} ficou de fora. ${why}`,
  classNone: "Nenhum destes ficheiros é um resultado de treino.",
  classSome: (count) =>
    `${count} ${counted(count, "ficheiro ficou", "ficheiros ficaram")} de fora: não é resultado de treino.`,
  seed: (seed) => `frasco ${seed}`,
  otherwise: "E se",
  otherwiseOf: (name) => `E se … com ${name}`,
  otherwiseLead:
    "Uma coisa do registo feita de outra maneira, e tudo o resto igual. O frasco é o do modelo, tão vivo quanto dizem as suas observações. Nada se altera.",
  whatIf: "E se tivesse sido de outra maneira?",
  nothingYet: "Ainda não há nada que pudesse ter sido diferente, a não ser a primeira mistura.",
  whichMoment: "Que momento",
  hadItBeen: "Se",
  supposing: "A correr os dois frascos",
  simulated: "Simulado",
  mightHave: (level, at) => `Teria chegado a ${level}, ${at}.`,
  asItWas: (level, at) => `Como foi: ${level}, ${at}.`,
  onceMore: (might, was) => `Com mais um refresco no fim, cresceria até ${might}; como foi, até ${was}.`,
  twoLines: "Duas linhas simuladas: o que foi, e o que podia ter sido",
  mightLine: "o que podia ter sido",
  wasLine: "o que foi, segundo o modelo",
};
