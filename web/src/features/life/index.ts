export { AwayPage } from "./AwayPage";
export { BakePage } from "./BakePage";
export { ChangePage, EditTerm } from "./ChangePage";
export { TERM_KINDS, type TermBody } from "./draft";
export { EditLeave, EditUse } from "./EditUse";
export { KeepPage } from "./KeepPage";
export { PartPage } from "./PartPage";
