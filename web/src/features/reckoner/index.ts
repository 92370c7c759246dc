export { ReckonerPage } from "./Page";
