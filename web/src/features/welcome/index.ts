export { WelcomePage } from "./Page";
