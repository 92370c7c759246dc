export { BinPage } from "./Bin";
export { JarPage } from "./Page";
