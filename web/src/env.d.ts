interface ImportMetaEnv {
  /** Of the shapes in which the kitchen answers, by the build; none where nothing is built. */
  readonly VITE_CONTRACT?: string;
}
