export { PlanPage } from "./Page";
