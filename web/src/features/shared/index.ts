export { SharedPage } from "./Page";
