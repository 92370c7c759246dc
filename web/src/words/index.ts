/** Every sentence of the interface, in the language that is spoken. A second language is a second folder beside `en`. */
export * from "./en";
