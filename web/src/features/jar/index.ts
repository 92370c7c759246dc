export { JarPage } from "./Page";
