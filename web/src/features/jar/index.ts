export { BinPage } from "./Bin";
export { EditDeed } from "./EditDeed";
export { JarPage } from "./Page";
export { PhotosPage } from "./Photos";
