export { BinPage } from "./Bin";
export { EditDeed } from "./EditDeed";
export { OtherwisePage } from "./Otherwise";
export { JarPage } from "./Page";
export { PhotosPage } from "./Photos";
