export { DiscardPage } from "./DiscardPage";
export { FlourPage } from "./FlourPage";
