export { FeedPage } from "./Page";
