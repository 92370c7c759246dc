export { EnterSheetPage } from "./EnterSheet";
export { PlanPage } from "./Page";
