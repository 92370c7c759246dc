export { LookPage } from "./Page";
