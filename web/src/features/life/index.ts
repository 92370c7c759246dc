export { AwayPage } from "./AwayPage";
export { BakePage } from "./BakePage";
export { ChangePage, EditTerm } from "./ChangePage";
export { EditLeave, EditUse } from "./EditUse";
export { TERM_KINDS, type TermBody } from "./draft";
export { KeepPage } from "./KeepPage";
export { PartPage } from "./PartPage";
