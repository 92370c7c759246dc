/** What is said by the place “welcome”. */

export const welcomeText = {
  welcome: "Welcome",
  raiseASourdoughStarterDay: "Raise a sourdough starter, day by day.",
  itSaysWhatToDo: "It says what to do now, in your jar's own grams.",
  itKeepsTheLogWhile: "It keeps the log while you work: what went in, how far it rose.",
  itKnowsWhichDaysAre: "It knows which days are meant to be quiet.",
  walkIntoTheDemoKitchen: "Walk into the demo kitchen",
  noAccountNeededInventedJars: "No account needed; invented jars.",
  signIn: "Sign in",
  makeAnAccount: "Make an account",
  signInAgainActsKept: "Sign in again: acts kept on this device are waiting to be sent.",
  password: "Password",
  atLeast10CharactersA: "At least 10 characters; a few unrelated words do well.",
  oneMoment: "One moment …",
  makeTheAccount: "Make the account",
  newHereMakeAnAccount: "New here? Make an account",
  iHaveAnAccount: "I have an account",
} as const;
