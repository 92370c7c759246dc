/** O que um ficheiro ou um campo esperava, e o que um método tem de mal: os códigos ditos por palavras. */
import type { Flour } from "../../api/types";
import { list } from "../../lib/numbers";
import type * as en from "../en/expected";
import { FLOUR_WORDS } from "./flours";

export const knownWords: typeof en.knownWords = (known) =>
  list(
    String(known ?? "")
      .split(", ")
      .map((one) => FLOUR_WORDS[one as Flour] ?? one.replaceAll("_", " ")),
  );

const BREACHES: Record<string, string> = {
  no_phase: "não tem nenhuma fase",
  too_long: "é longo demais",
  double_name: "um nome aparece duas vezes",
  unknown_option: "fala de uma opção que não tem",
  bad_default: "o valor de partida não serve",
  nothing_first: "no começo não entra nada",
  unreachable: "a uma fase nunca se chega",
  unknown_phase: "fala de uma fase que não tem",
  no_latest_time: "uma espera não tem fim",
  wait_out_of_order: "uma espera acaba antes de começar",
  turns_out_of_order: "as voltas estão trocadas",
  sight_too_deep: "um sinal está encaixado demais",
  keeps_without_feeding: "guarda sem alimentar",
  twice_in_one_step: "um passo faz duas vezes o mesmo",
  never_settles: "nunca chega a repetir-se",
  overflows: "transborda",
  raised_in_the_fridge: "cria no frigorífico",
  expect_has_a_gap: "há dias sem dizer o que é normal",
  cannot_be_weighed: "pede um peso que não se consegue pesar",
};

export const breachWords: typeof en.breachWords = (breach) => BREACHES[String(breach)] ?? "não está certo";

const EXPECTED: readonly (readonly [RegExp, string])[] = [
  [/^something$/, "alguma coisa"],
  [/^(a )?text$/, "um texto"],
  [/^an id$/, "uma identificação"],
  [/^a number$/, "um número"],
  [/^a whole number$/, "um número inteiro"],
  [/^a number from (.+) to (.+)$/, "um número de $1 a $2"],
  [/^a text of (.+) to (.+) signs$/, "um texto de $1 a $2 caracteres"],
  [/^up to (.+) signs$/, "até $1 caracteres"],
  [/^at most (.+) rows$/, "no máximo $1 linhas"],
  [/^a list of up to (.+)$/, "uma lista até $1"],
  [/^a moment like (.+)$/, "um momento como $1"],
  [/^a time such as (.+)$/, "uma hora como $1"],
  [/^a time with its offset$/, "uma hora com o seu desvio"],
  [/^a time from (.+) to (.+)$/, "uma hora de $1 a $2"],
  [/^a time zone such as (.+)$/, "um fuso horário como $1"],
  [/^true or false$/, "true ou false"],
  [/^a date and a time$/, "uma data e uma hora"],
  [/^a date$/, "uma data"],
  [/^a time$/, "uma hora"],
  [/^a list$/, "uma lista"],
  [/^an object$/, "um objeto"],
  [/^no object$/, "nenhum objeto"],
  [/^a column$/, "uma coluna"],
  [/^a jar$/, "um frasco"],
  [/^a method file$/, "um ficheiro de método"],
  [/^one of them$/, "um deles"],
  [/^one of keep, total, flour, jar$/, "um: o guardado, o total, a farinha ou o frasco"],
];

/** O que se esperava, dito; nomes que estão no ficheiro ficam como lá estão. */
export const expectedWords: typeof en.expectedWords = (expected) => {
  const text = String(expected ?? "");
  const found = EXPECTED.find(([form]) => form.test(text));
  return found ? text.replace(found[0], found[1]) : text.replaceAll(" or ", " ou ");
};
