/** O que se diz onde o padeiro trata da conta e dos dados. */
import { counted, list } from "../../lib/numbers";
import { when } from "../../lib/time";
import type * as en from "../en/yours";
import type { Spoken } from "../spoken";

export const yoursText: Spoken<typeof en.yoursText> = {
  yours: "O que é seu",
  yourData: "Os seus dados",
  allThatIsYours:
    "Tudo o que é seu num ficheiro: frascos, diários, fotografias, leituras, farinhas. Formatos abertos, que outros programas leem.",
  withPhotos: "Com as fotografias",
  asAPackage: "Guardar como pacote de dados",
  asADocument: "Guardar como um só ficheiro JSON",
  bringIn: "Trazer uma cozinha",
  bringInHow:
    "Um ficheiro guardado aqui ou noutra máquina. O que já cá está fica como está; o mesmo ficheiro duas vezes conta uma.",
  chooseAFile: "O ficheiro",
  bringItIn: "Trazer",
  sending: (share) => `A enviar: ${share} %`,
  reading: "A ler",
  photosSoFar: ({ done, of }) => `Fotografias: ${done} de ${of}`,
  notInTheDemo: "A cozinha de exemplo não recebe nenhuma.",
  account: "Conta",
  newName: "Nome",
  changeName: "Mudar o nome",
  passwordNow: "Palavra-passe de agora",
  newPassword: "Nova palavra-passe",
  atLeast: "Pelo menos 10 caracteres; quem mais estiver a usar a conta fica de fora.",
  changePassword: "Mudar a palavra-passe",
  isChanged: "Está mudada.",
  whereSignedIn: "Onde tem a conta aberta",
  endIt: "Fechar lá",
  passkeys: "Chaves de acesso",
  whatPasskeysAre:
    "Entre com um dedo, a cara ou uma chave do seu aparelho, sem palavra-passe. Fica no aparelho.",
  passkeysNeedAName:
    "Os navegadores fazem chaves de acesso para um nome, não para um endereço de algarismos. Abra esta cozinha pelo nome, como localhost.",
  passkeyName: "Como lhe chama",
  thisDevice: "este aparelho",
  makeAPasskey: "Fazer uma chave de acesso",
  dropIt: "Tirar",
  codeOnPaper: "Um código em papel",
  whyACode:
    "Desta máquina não sai correio. Se esquecer a palavra-passe, este código deixa-o escolher outra, uma vez. Escreva-o e guarde-o com a farinha.",
  thereIsOne: (day) => `Há um, feito ${day}.`,
  makeACode: "Fazer um código",
  makeAnotherCode: "Fazer outro código",
  shownOnce: "Mostra-se só esta vez. O de antes já não abre nada.",
  printIt: "Imprimir",
  leaveForGood: "Ir embora de vez",
  whatGoes:
    "A conta, com todos os frascos, diários, fotografias e escolhas, apaga-se desta máquina. Guarde primeiro os seus dados. Cópias feitas por quem trata desta máquina podem ainda tê-los por algumas semanas.",
  deleteAll: "Apagar tudo",
  reallyDelete: "Apagar a conta e tudo o que lá está?",
  noWayBack: "Não há caminho de volta, a não ser um ficheiro que tenha guardado.",
  yesDelete: "Apagar",
  password: "A sua palavra-passe",
  units: "Unidades e formas",
  unitsHow: "Em todo o lado: no ecrã, no papel e nos calendários. O que ficou escrito fica como está.",
  language: "Língua",
};

function some(count: number, one: string, many: string): string[] {
  return count === 0 ? [] : [`${count} ${counted(count, one, many)}`];
}

/** `De novo aqui: 3 frascos, 120 entradas e 4 farinhas.` */
export const takenInLine: typeof en.takenInLine = (told) => {
  const parts = [
    ...some(told.jars, "frasco", "frascos"),
    ...some(told.entries, "entrada", "entradas"),
    ...some(told.readings, "leitura", "leituras"),
    ...some(told.flours, "farinha", "farinhas"),
    ...some(told.discard, "nota do frasco do descarte", "notas do frasco do descarte"),
    ...some(told.photos, "fotografia", "fotografias"),
    ...some(told.levels, "altura vista pela câmara", "alturas vistas pela câmara"),
  ];
  if (parts.length === 0) return "Já cá estava tudo.";
  const copy = told.as_copy ? " Outra conta daqui também a tem, por isso veio como cópia." : "";
  return `De novo aqui: ${list(parts)}.${copy}`;
};

export const passkeyLine: typeof en.passkeyLine = ({ name, made_at: made, used_at: used }, now, zone) =>
  used ? `${name}, usada ${when(used, now, zone)}` : `${name}, feita ${when(made, now, zone)}`;

export const visitLine: typeof en.visitLine = ({ here, on_phone: phone, seen_at: seen }, now, zone) => {
  const what = phone ? "telemóvel" : "computador";
  return here ? `Este ${what}` : `Um ${what}, visto ${when(seen, now, zone)}`;
};

export const FORM_NAMES: typeof en.FORM_NAMES = {
  mass: "Pesos",
  warmth: "Temperatura",
  length: "Comprimentos",
  clock: "Relógio",
  decimal: "Números",
  paper: "Papel",
};

export const FORM_CHOICES: typeof en.FORM_CHOICES = {
  mass: [
    { value: "g", label: "gramas" },
    { value: "oz", label: "onças" },
  ],
  warmth: [
    { value: "c", label: "°C" },
    { value: "f", label: "°F" },
  ],
  length: [
    { value: "mm", label: "milímetros" },
    { value: "in", label: "polegadas" },
  ],
  clock: [
    { value: "h24", label: "14:30" },
    { value: "h12", label: "2:30 pm" },
  ],
  decimal: [
    { value: "point", label: "1.5" },
    { value: "comma", label: "1,5" },
  ],
  paper: [
    { value: "a4", label: "A4" },
    { value: "letter", label: "Letter" },
  ],
};
