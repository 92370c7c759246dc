export { BesidePage } from "./Page";
export { TrialPage } from "./TrialPage";
export { TrialsPage } from "./TrialsPage";
