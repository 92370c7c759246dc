/** O que um passo pede, tarefa a tarefa; as quantidades como o método as diz, com o peso ao lado. */
import type { Doing, Measured, Task, Unit } from "../../api/types";
import { grams } from "../../lib/numbers";
import { quarters } from "../../lib/units";
import type * as en from "../en/tasks";
import { measure } from "../measured";
import { FLOUR_WORDS } from "./flours";
import { partWords } from "./measure";

export const DEED_WORDS: typeof en.DEED_WORDS = {
  stirred: "Mexido",
  skipped: "Saltado",
  to_fridge: "Para o frigorífico",
  to_counter: "Fora do frigorífico",
  spare_set_aside: "Reserva posta de lado",
  let_go: "Deixado de vez",
  sweetened: "Juntou-se açúcar, mel ou fruta",
  yeast_added: "Juntou-se fermento de padeiro",
};

const UNIT_WORDS: Record<Unit, readonly [string, string]> = {
  g: ["g", "g"],
  oz: ["oz", "oz"],
  ml: ["ml", "ml"],
  tsp: ["colher de chá", "colheres de chá"],
  tbsp: ["colher de sopa", "colheres de sopa"],
  cup: ["chávena", "chávenas"],
};

function measuredWords({ value, unit }: Measured): string {
  return `${quarters(Number(value.toFixed(2)))} ${UNIT_WORDS[unit][value > 1 ? 1 : 0]}`;
}

/** `2 colheres de sopa (30 g)`, `30 g` */
export const amount: typeof en.amount = (doing) => {
  if (doing.spoons && doing.spoons.length > 0) return measure(doing.g ?? 0, doing.spoons);
  const weight = grams(doing.g ?? 0);
  return doing.measured ? `${measuredWords(doing.measured)} (${weight})` : weight;
};

export const MOVES_LIKE: typeof en.MOVES_LIKE = {
  runny: "natas",
  thin_batter: "um polme ralo",
  thick_batter: "um polme espesso",
  toothpaste: "pasta de dentes",
  soft_dough: "uma massa mole",
  putty: "uma massa firme",
};

const TASK_WORDS: Record<Task, (doing: Doing) => string> = {
  pour_off: () => "escorrer o líquido de cima",
  keep_all: () => "guardar tudo",
  keep: (doing) =>
    partWords(doing.part) ? `guardar cerca de ${partWords(doing.part)}` : `guardar ${amount(doing)}`,
  take_out: (doing) => `tirar ${amount(doing)}`,
  clean_jar: () => "passar para um frasco lavado",
  put_in: (doing) => `pôr ${amount(doing)} da cultura`,
  add_water: (doing) => `juntar ${amount(doing)} de água`,
  add_juice: (doing) => `juntar ${amount(doing)} de sumo`,
  add_flour: (doing) => `juntar ${amount(doing)} de ${doing.flour ? FLOUR_WORDS[doing.flour] : "farinha"}`,
  add_salt: (doing) => `juntar ${amount(doing)} de sal`,
  hold_back: (doing) =>
    `reter cerca de ${amount(doing)} da água; ir juntando até se mover como ${doing.until_thickness ? MOVES_LIKE[doing.until_thickness] : "dantes"}`,
  stir: () => "mexer",
  to_fridge: () => "pôr no frigorífico",
  to_counter: () => "tirar do frigorífico",
  measure_height: () => "medir a altura",
  read_ph: () => "ler o pH, se tiver tiras",
  weigh_reference: () => "pesar o frasco com a massa, e anotar",
  float_test: () => "experimentar uma colherada em água; flutuar ajuda, afundar diz pouco",
  side_by_side: () => "experimentar duas proporções lado a lado",
  take_for_dough: (doing) => `tirar ${amount(doing)} para o pão`,
};

/** As tarefas de um passo numa linha: `Guardar 30 g, juntar 30 g de água, juntar 30 g de espelta`. */
export const taskLine: typeof en.taskLine = (doings) => {
  const line = doings.map((doing) => TASK_WORDS[doing.do](doing)).join(", ");
  return line.charAt(0).toUpperCase() + line.slice(1);
};

export const ACT_WORDS: typeof en.ACT_WORDS = {
  mix: "Primeira mistura",
  feed: "Alimentar",
  stir: "Mexer",
  look: "Observar",
  to_fridge: "Para o frigorífico",
  to_counter: "Fora do frigorífico",
  use: "Amassar o pão",
};
