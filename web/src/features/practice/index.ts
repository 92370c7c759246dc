export { PracticePage } from "./Page";
export { PlayPage } from "./Play";
