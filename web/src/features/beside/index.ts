export { BesidePage } from "./Page";
