import { lazy, Suspense } from "react";
import { ErrorBoundary } from "react-error-boundary";
import { BrowserRouter, Route, Routes, useLocation } from "react-router";
import { KitchenPage } from "../features/kitchen";
import { Loading } from "../ui/states";
import { appText } from "../words";
import { Lost } from "./lost";
import { Shell } from "./shell";

const NewJarPage = lazy(async () => ({ default: (await import("../features/new-jar")).NewJarPage }));
const JarPage = lazy(async () => ({ default: (await import("../features/jar")).JarPage }));
const BinPage = lazy(async () => ({ default: (await import("../features/jar")).BinPage }));
const OtherwisePage = lazy(async () => ({ default: (await import("../features/jar")).OtherwisePage }));
const PhotosPage = lazy(async () => ({ default: (await import("../features/jar")).PhotosPage }));
const PlanPage = lazy(async () => ({ default: (await import("../features/plan")).PlanPage }));
const EnterSheetPage = lazy(async () => ({ default: (await import("../features/plan")).EnterSheetPage }));
const HousePage = lazy(async () => ({ default: (await import("../features/house")).HousePage }));
const SignsPage = lazy(async () => ({ default: (await import("../features/signs")).SignsPage }));
const LookPage = lazy(async () => ({ default: (await import("../features/look")).LookPage }));
const FeedPage = lazy(async () => ({ default: (await import("../features/feed")).FeedPage }));
const ChangePage = lazy(async () => ({ default: (await import("../features/life")).ChangePage }));
const KeepPage = lazy(async () => ({ default: (await import("../features/life")).KeepPage }));
const BakePage = lazy(async () => ({ default: (await import("../features/life")).BakePage }));
const PartPage = lazy(async () => ({ default: (await import("../features/life")).PartPage }));
const AwayPage = lazy(async () => ({ default: (await import("../features/life")).AwayPage }));
const ReckonerPage = lazy(async () => ({ default: (await import("../features/reckoner")).ReckonerPage }));
const DiscardPage = lazy(async () => ({ default: (await import("../features/pantry")).DiscardPage }));
const FlourPage = lazy(async () => ({ default: (await import("../features/pantry")).FlourPage }));
const SharedPage = lazy(async () => ({ default: (await import("../features/shared")).SharedPage }));
const SheetPage = lazy(async () => ({ default: (await import("../features/yours")).SheetPage }));
const YoursPage = lazy(async () => ({ default: (await import("../features/yours")).YoursPage }));
const BesidePage = lazy(async () => ({ default: (await import("../features/beside")).BesidePage }));
const TrialPage = lazy(async () => ({ default: (await import("../features/beside")).TrialPage }));
const WatchPage = lazy(async () => ({ default: (await import("../features/watch")).WatchPage }));
const TrialsPage = lazy(async () => ({ default: (await import("../features/beside")).TrialsPage }));
const PracticePage = lazy(async () => ({ default: (await import("../features/practice")).PracticePage }));
const PlayPage = lazy(async () => ({ default: (await import("../features/practice")).PlayPage }));
const EditEntry = lazy(async () => ({ default: (await import("./edit-entry")).EditEntry }));

/** The application by its addresses; only the kitchen comes with the first script, each other page when it is opened. */
export function Pages() {
  return (
    <BrowserRouter>
      <Guarded />
    </BrowserRouter>
  );
}

/** A fault of one page does not outlast going to another. */
function Guarded() {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={Lost} resetKeys={[pathname]}>
      <Suspense fallback={<Loading what={appText.openingTheKitchen} />}>
        <Routes>
          <Route path="/shared/:token" element={<SharedPage />} />
          <Route path="/" element={<Shell />}>
            <Route index element={<KitchenPage />} />
            <Route path="new" element={<NewJarPage />} />
            <Route path="jars/:jarId" element={<JarPage />} />
            <Route path="jars/:jarId/bin" element={<BinPage />} />
            <Route path="jars/:jarId/photos" element={<PhotosPage />} />
            <Route path="jars/:jarId/otherwise" element={<OtherwisePage />} />
            <Route path="jars/:jarId/plan" element={<PlanPage />} />
            <Route path="jars/:jarId/sheet" element={<EnterSheetPage />} />
            <Route path="jars/:jarId/look" element={<LookPage />} />
            <Route path="jars/:jarId/feed" element={<FeedPage />} />
            <Route path="jars/:jarId/change" element={<ChangePage />} />
            <Route path="jars/:jarId/change/:what" element={<ChangePage />} />
            <Route path="jars/:jarId/keep" element={<KeepPage />} />
            <Route path="jars/:jarId/bake" element={<BakePage />} />
            <Route path="jars/:jarId/part" element={<PartPage />} />
            <Route path="jars/:jarId/away" element={<AwayPage />} />
            <Route path="jars/:jarId/beside" element={<BesidePage />} />
            <Route path="jars/:jarId/watch" element={<WatchPage />} />
            <Route path="trials" element={<TrialsPage />} />
            <Route path="trials/:trialId" element={<TrialPage />} />
            <Route path="jars/:jarId/bring" element={<SheetPage />} />
            <Route path="jars/:jarId/log/:entryId" element={<EditEntry />} />
            <Route path="house" element={<HousePage />} />
            <Route path="yours" element={<YoursPage />} />
            <Route path="recover" element={<YoursPage />} />
            <Route path="discard" element={<DiscardPage />} />
            <Route path="flour" element={<FlourPage />} />
            <Route path="reckoner" element={<ReckonerPage />} />
            <Route path="signs" element={<SignsPage />} />
            <Route path="practice" element={<PracticePage />} />
            <Route path="practice/:situation" element={<PlayPage />} />
            <Route path="*" element={<Lost />} />
          </Route>
        </Routes>
      </Suspense>
    </ErrorBoundary>
  );
}
