export { SignsPage } from "./Page";
