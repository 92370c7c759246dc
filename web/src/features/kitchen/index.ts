export { KitchenPage } from "./Page";
