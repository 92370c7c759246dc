export { WatchPage } from "./Page";
