export { HousePage } from "./Page";
