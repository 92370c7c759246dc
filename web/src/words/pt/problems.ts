/** Cada recusa em palavras, com o que se aceitaria. */
import type { OptionCode, ProblemCode } from "../../api/types";
import { grams } from "../../lib/numbers";
import type * as en from "../en/problems";
import { bound, type Facts, moment } from "../facts";
import { breachWords, expectedWords, knownWords } from "./expected";
import { OPTION_WORDS } from "./options";

const WORDS: Record<ProblemCode, (facts: Facts, field: string) => string> = {
  not_a_number: () => "Isto não é um número. Use algarismos, como 40 ou 40,5.",
  out_of_range: (facts, field) =>
    `Use um número de ${bound(facts.least ?? 0, field)} a ${bound(facts.most ?? "10 000", field)}.`,
  unknown_flour: (facts) =>
    `Não há farinha chamada ${facts.given ?? "assim"}. Há: ${knownWords(facts.known)}.`,
  no_rhythm: () => "Este método alimenta pelo que se vê, não pelo relógio. Escolha outro para ter ritmo.",
  takes_more_than_there_is: (facts) => `Não há lá tanto. Há ${grams(Number(facts.there_is_g ?? 0))}.`,
  no_room_in_hours: () => "Estas horas não deixam lugar. Dê mais horas, ou outra hora.",
  away_too_long: (facts) =>
    facts.instead === "flakes"
      ? `É demais até para o frigorífico, que o guarda até cerca de ${moment(facts, "latest")}. Seque-o: as lascas duram um ano.`
      : `É demais na bancada; pode ficar até ${moment(facts, "latest")}. Ponha-o primeiro no frigorífico.`,
  no_flour: () => "Não tem farinha. Dê pelo menos uma farinha acima de zero.",
  no_water: () => "Não tem água. Dê mais do que zero.",
  nothing_added: () => "Estas quantidades não se veem na balança. Faça o frasco maior.",
  unknown_unit: (facts) =>
    `Não há unidade chamada ${facts.given ?? "assim"}. Há: ${knownWords(facts.known)}.`,
  hours_form: (facts) => `Escreva as horas assim: ${facts.example}.`,
  hours_overlap: () => "Estas horas sobrepõem-se. Deixe um intervalo entre elas.",
  file_form: (facts) =>
    `Este ficheiro não se consegue ler aqui. Esperado: ${expectedWords(facts.wanted ?? "a jar")}.`,
  method_form: (facts) =>
    `Este método não se consegue ler aqui. Esperado: ${expectedWords(facts.wanted ?? "a method file")}.`,
  method_too_large: () => "Este método é grande demais.",
  method_too_new: () => "Este método foi escrito por um Despertar mais novo.",
  method_unsound: (facts) => `Este método não funciona: ${breachWords(facts.breach)}.`,
  does_not_fit_together: (facts) => `Dê só ${expectedWords(facts.known ?? "one of them")}.`,
  time_out_of_range: (facts) =>
    facts.latest ? `Use uma hora até ${moment(facts, "latest")}.` : "Esta hora não se pode usar.",
  ratio_form: () => "Escreva a proporção como massa-mãe : farinha : água, por exemplo 1:2:2.",
  ratio_two_parts: (facts) =>
    `Quais são os dois? Farinha e água é ${facts.as_flour_and_water}; massa-mãe e farinha é ${facts.as_seed_and_flour}.`,
  ratio_without_food: () => "Um refresco precisa de massa-mãe, farinha e água: nenhum dos três pode ser 0.",
  unknown_step: () => "Este passo não é conhecido.",
  unknown_family: (facts) => `Não há esse método. Há: ${knownWords(facts.known)}.`,
  unknown_option: (facts) => `Não há essa opção. Há: ${knownWords(facts.known)}.`,
  not_a_choice: (facts) => `Escolha: ${facts.known ? knownWords(facts.known) : "o que se mostra"}.`,
  keeps_more_than_there_is: (facts) =>
    `No frasco só há ${grams(Number(facts.there_is_g))}. Guarde isso ou menos.`,
  nothing_kept: (facts) => `Guarde alguma massa-mãe: no frasco há ${grams(Number(facts.there_is_g))}.`,
  jar_too_small: (facts) =>
    `Não cabem ${grams(Number(facts.total_g))}: este frasco leva ${grams(Number(facts.most_g))} até ao bordo.${facts.fits_share ? ` ${Number(facts.fits_share) <= 0.25 ? "Um quarto" : "Metade"} das quantidades cabe.` : ""}`,
  level_above_rim: (facts) => `Isso está acima do bordo. O bordo está em ${facts.most}.`,
  level_below_bottom: (facts) => `Isso está abaixo do fundo. Use ${facts.least} ou mais.`,
  no_line_yet: () => "Ainda não há marca para medir.",
  empty_look: () => "Ainda nada anotado. Ponha o nível, toque no que vê, ou escreva uma nota.",
  in_the_future: (facts) => `Isso ainda está para vir. Use ${moment(facts, "latest")} ou antes.`,
  before_the_start: (facts) =>
    facts.first_mix_at || facts.earliest
      ? `Isso é antes de o frasco começar. Use ${moment(facts, facts.first_mix_at ? "first_mix_at" : "earliest")} ou depois.`
      : "O frasco ainda não foi misturado.",
  before_the_last_feed: (facts) =>
    `A última entrada é de ${moment(facts, "last_feed_at")}. Use uma hora mais tarde, ou mude essa.`,
  after_the_next_feed: (facts) =>
    `O refresco seguinte é de ${moment(facts, "next_feed_at")}. Use uma hora mais cedo.`,
  jar_is_binned: (facts) => `Este frasco foi para o lixo ${moment(facts, "binned_at")}; nada pode seguir-se.`,
  danger_stands: () =>
    "Isto não se resolve com palavras. Se foi anotado por engano, mude ou desfaça a observação que o mostra.",
  discard_is_no_food: () =>
    "Ainda não está ácido e são, por isso o descarte não é comida. Desta vez, composto ou lixo.",
  first_mix_has_feeds: () => "Há refrescos sobre esta primeira mistura. Desfaça primeiro esses.",
  missing: () => "Isto faz falta.",
  not_a_time: () => "Isto não é uma data com hora. Escolha ambas.",
  not_text: () => "Isto tem sinais que não são texto. Escreva de novo sem eles.",
  too_long: (facts) => `É longo demais. Use até ${facts.most} caracteres.`,
  unknown_field: () => "Isto não se pede.",
  not_accepted: () => "Isto não se aceita nesta forma.",
  not_json: () => "Isto não se conseguiu ler.",
  not_found: () => "Isto não existe, ou não é seu.",
  sign_in_first: () => "Entre primeiro.",
  wrong_name_or_password: () => "O nome ou a palavra-passe não está certo.",
  too_many_tries: (facts) => `Tentativas a mais. Espere ${facts.minutes} minutos.`,
  name_taken: () => "Este nome já está ocupado. Escolha outro.",
  password_too_short: (facts) => `Use pelo menos ${facts.least} caracteres.`,
  password_too_common: () => "Esta palavra-passe é comum demais. Algumas palavras sem ligação servem bem.",
  password_too_similar: () => "Isto é parecido demais com o seu nome.",
  password_entirely_numeric: () => "Use mais do que algarismos.",
  unknown_time_zone: (facts) => `Este fuso horário não é conhecido. Por exemplo ${facts.example}.`,
  forged: () => "Esta página é velha demais. Recarregue-a; o que escreveu fica guardado.",
  id_taken: () =>
    "Isto já estava guardado, com outra coisa dentro. Veja no diário; o que escreveu fica aqui.",
  other_account: () => "Foi outra pessoa que anotou isto aqui. Espera até ela voltar.",
  fed_meanwhile: (facts) =>
    `Alguém alimentou este frasco ${moment(facts, "at")}: ${grams(Number(facts.flour_g))} de farinha, ${grams(Number(facts.water_g))} de água.`,
  changed_meanwhile: () =>
    "Outro aparelho mudou isto entretanto. Recarregue para ver; o que escreveu fica guardado.",
  not_in_the_demo: () => "A cozinha de exemplo não se partilha. Crie uma conta sua; basta um nome.",
  invited_only: () => "Nesta casa, só quem é convidado cria uma conta. Peça um código a alguém daqui.",
  no_such_invitation: () => "Este convite não é conhecido, já foi usado, ou é velho demais. Peça outro.",
  own_kitchen: () => "Este convite é para a sua própria cozinha.",
  too_many_hands: (facts) => `Até ${facts.most} pessoas podem tratar de uma cozinha consigo.`,
  no_room: () => "Não há espaço para o guardar. Liberte algum; o que escreveu fica aqui.",
  busy: () => "A cozinha tem as mãos cheias. Tente daqui a um momento.",
  too_large: (facts) => `É grande demais. Podem enviar-se até ${facts.most_mb} MB.`,
  went_wrong: () => "Algo correu mal na cozinha. O que escreveu fica guardado; tente outra vez.",
  jar_unreadable: () => "Este frasco não se consegue ler agora. Abra-o para ver porquê.",
  stored_too_new: () => "Isto foi escrito por um Despertar mais novo. Ligue o mais novo para o ler.",
  parcel_foreign: (facts) => `Isto não é uma cozinha guardada aqui: falta-lhe ${facts.missing}.`,
  parcel_newer: () => "Foi guardada por um Despertar mais novo. Traga-a com esse, ou um posterior.",
  parcel_fault: (facts) =>
    `Nada foi trazido. A linha ${facts.row} de ${facts.table} não se consegue ler${facts.column ? ` em ${facts.column}` : ""}: esperado ${expectedWords(facts.expected)}.`,
  parcel_too_large: (facts) =>
    `É grande demais. Aqui vão até ${facts.most_mb} MB; mais com ./despertar import.`,
  not_a_sheet: (facts) =>
    `Isto não é uma folha de cálculo que se leia aqui. Escolha um CSV ou XLSX até ${facts.most_mb} MB.`,
  parcel_part: () => "Uma parte perdeu-se pelo caminho. Traga outra vez.",
  wrong_password: () => "Esta não é a sua palavra-passe.",
  passkey_refused: () => "Esta chave de acesso não abre aqui nenhuma cozinha.",
  too_many_passkeys: (facts) => `Já há ${facts.most} chaves de acesso. Tire uma primeiro.`,
  no_such_code: () => "O nome e o código não condizem, ou o código já foi usado ou acabou.",
  stored_broken: () => "Está guardado numa forma que aqui não se conhece.",
  not_a_photo: () => "Isto não é uma fotografia. Escolha uma imagem JPEG, PNG ou WebP.",
  photo_broken: () => "Esta fotografia está cortada ou estragada. Tire outra, ou escolha outra.",
  photo_too_large: (facts) =>
    facts.most_mp
      ? `Esta fotografia é grande demais. Vão até ${facts.most_mp} megapíxeis.`
      : `Esta fotografia é grande demais. Vão até ${facts.most_mb ?? 12} MB.`,
  photo_too_small: (facts) =>
    `Esta fotografia é pequena demais para se ler. Pelo menos ${facts.least} píxeis de lado.`,
  too_many_cameras: (facts) =>
    `Este frasco já tem ${facts.most} câmaras, tantas quantas o podem vigiar. Pare uma primeiro.`,
  lines_cross: (_facts, field) =>
    `Veja ${fieldWords(field)}: de cima para baixo as linhas são borda, nível e marca, fundo; a parede esquerda fica à esquerda da direita.`,
  jar_too_far: () => "O frasco é demasiado pequeno na imagem. Aproxime a câmara.",
  no_feed_yet: () =>
    "A essa hora não há nada no frasco. Registe primeiro o refresco, ou veja quando a imagem foi tirada.",
  too_many_photos: (facts) =>
    `Este frasco tem ${facts.most} fotografias, tantas quantas se guardam. Tire algumas primeiro.`,
  out_of_reach: () => "Não se chega à cozinha. Nada do que escreveu se perde; tente daqui a um momento.",
  no_demo_here: () => "Aqui não há cozinha de exemplo.",
};

const FIELDS: Record<string, string> = {
  at: "Hora",
  name: "Nome",
  password: "Palavra-passe",
  level: "Nível",
  "level.value": "Nível",
  note: "Nota",
  keep_g: "Guardado",
  water_g: "Água",
  salt_g: "Sal",
  line_mm: "Marca",
  tare_g: "Frasco vazio",
  jar_and_all_g: "Frasco com tudo",
  volume_ml: "Volume",
  height_mm: "Altura",
  starts_at: "Começo",
  until: "Até",
  warmth_c: "Temperatura",
  night_c: "Temperatura de noite",
  high: "Marca mais alta",
  ph: "pH",
  celsius: "Temperatura",
  size: "Tamanho",
  juice_g: "Sumo",
  target_g: "Peso que a receita pede",
  about: "Juízo",
  discard_to: "Descarte",
  photo: "Fotografia",
  picture: "Imagem",
  rim: "a borda",
  line: "a marca",
  right: "as paredes",
  every_min: "Minutos entre imagens",
  code: "Convite",
  place: "Lugar",
  thermometer: "Termómetro",
};

export const problemWords: typeof en.problemWords = (problem) =>
  WORDS[problem.code](problem.facts, problem.field);

export const fieldWords: typeof en.fieldWords = (field) => {
  const option = OPTION_WORDS[field.replace("choices.", "") as OptionCode];
  return (
    FIELDS[field] ?? option?.label ?? (field.startsWith("flours") ? "Farinha" : field.replaceAll("_", " "))
  );
};

export const problemAt: typeof en.problemAt = (problems, ...fields) => {
  const found = problems.find((problem) => fields.includes(problem.field));
  return found ? problemWords(found) : null;
};
