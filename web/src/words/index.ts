/** Every sentence of the interface, in the language that is spoken: a build for another names its own folder here. */
export * from "./en";
export * from "./measured";
export * from "./rounding";
export * from "./shares";
export * from "./typed";
