export { YoursPage } from "./Page";
export { SheetPage } from "./SheetPage";
