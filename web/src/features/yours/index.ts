export { YoursPage } from "./Page";
