export { BinPage } from "./Bin";
export { JarPage } from "./Page";
export { PhotosPage } from "./Photos";
