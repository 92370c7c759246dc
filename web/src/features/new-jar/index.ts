export { NewJarPage } from "./Page";
