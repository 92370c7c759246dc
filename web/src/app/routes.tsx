import { createBrowserRouter } from "react-router";
import { KitchenPage } from "../features/kitchen";
import { Loading } from "../ui/states";
import { appText } from "../words";
import { Lost } from "./lost";
import { Shell } from "./shell";

export const router = createBrowserRouter([
  {
    path: "/",
    element: <Shell />,
    errorElement: <Lost />,
    hydrateFallbackElement: <Loading what={appText.openingTheKitchen} />,
    children: [
      { index: true, element: <KitchenPage /> },
      { path: "new", lazy: async () => ({ Component: (await import("../features/new-jar")).NewJarPage }) },
      { path: "jars/:jarId", lazy: async () => ({ Component: (await import("../features/jar")).JarPage }) },
      {
        path: "jars/:jarId/bin",
        lazy: async () => ({ Component: (await import("../features/jar")).BinPage }),
      },
      {
        path: "jars/:jarId/photos",
        lazy: async () => ({ Component: (await import("../features/jar")).PhotosPage }),
      },
      {
        path: "jars/:jarId/plan",
        lazy: async () => ({ Component: (await import("../features/plan")).PlanPage }),
      },
      { path: "house", lazy: async () => ({ Component: (await import("../features/house")).HousePage }) },
      { path: "signs", lazy: async () => ({ Component: (await import("../features/signs")).SignsPage }) },
      {
        path: "jars/:jarId/look",
        lazy: async () => ({ Component: (await import("../features/look")).LookPage }),
      },
      {
        path: "jars/:jarId/feed",
        lazy: async () => ({ Component: (await import("../features/feed")).FeedPage }),
      },
      {
        path: "jars/:jarId/log/:entryId",
        lazy: async () => ({ Component: (await import("./edit-entry")).EditEntry }),
      },
      { path: "*", element: <Lost /> },
    ],
  },
]);
