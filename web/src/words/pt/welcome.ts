/** O que se diz à entrada. */
import type * as en from "../en/welcome";
import type { Spoken } from "../spoken";

export const welcomeText: Spoken<typeof en.welcomeText> = {
  welcome: "Boas-vindas",
  raiseASourdoughStarterDay: "Criar massa-mãe, dia a dia.",
  itSaysWhatToDo: "Diz o que fazer agora, com o peso certo para o seu frasco.",
  itKeepsTheLogWhile: "Escreve o diário enquanto trabalha: o que entrou, até onde subiu.",
  itKnowsWhichDaysAre: "Sabe quais são os dias em que é suposto nada mexer.",
  walkIntoTheDemoKitchen: "Entrar na cozinha de exemplo",
  noAccountNeededInventedJars: "Sem conta; os frascos são inventados.",
  signIn: "Entrar",
  makeAnAccount: "Criar conta",
  signInAgainActsKept: "Volte a entrar: há coisas guardadas neste aparelho à espera de seguir.",
  useAPasskey: "Usar uma chave de acesso",
  passwordForgotten: "Esqueci-me da palavra-passe",
  invitation: "Convite",
  whoInvites: "O código de quem já tem uma cozinha nesta casa.",
  code: "Código",
  whereTheCodeIs: "O do seu papel, ou o que lhe deu quem trata desta casa.",
  newPassword: "Nova palavra-passe",
  setItAndComeIn: "Guardar e entrar",
  password: "Palavra-passe",
  atLeast10CharactersA: "Pelo menos 10 caracteres; algumas palavras sem ligação servem bem.",
  oneMoment: "Um momento …",
  makeTheAccount: "Criar a conta",
  newHereMakeAnAccount: "É a primeira vez? Crie uma conta",
  iHaveAnAccount: "Já tenho conta",
};
