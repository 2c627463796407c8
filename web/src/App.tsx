import { lazy, Suspense } from "react";
import { createBrowserRouter, type LoaderFunctionArgs, redirect, replace } from "react-router";
import { RouterProvider } from "react-router/dom";
import { AnotherState } from "./components/AnotherState";
import { Brief } from "./views/brief/Brief";
import { BiteView } from "./views/choose/BiteView";
import { Choose } from "./views/choose/Choose";
import { JobFrame } from "./views/job/JobFrame";
import { Jobs } from "./views/jobs/Jobs";
import { Trouble } from "./views/Trouble";

const SectionView = lazy(() =>
  import("./views/choose/SectionView").then((m) => ({ default: m.SectionView })),
);
const StartView = lazy(() => import("./views/choose/StartView").then((m) => ({ default: m.StartView })));
const FlywheelView = lazy(() =>
  import("./views/choose/FlywheelView").then((m) => ({ default: m.FlywheelView })),
);
const MovesView = lazy(() => import("./views/choose/MovesView").then((m) => ({ default: m.MovesView })));
const AgainstView = lazy(() =>
  import("./views/choose/AgainstView").then((m) => ({ default: m.AgainstView })),
);
const ShelfView = lazy(() => import("./views/shelf/ShelfView").then((m) => ({ default: m.ShelfView })));
const FindView = lazy(() => import("./views/find/FindView").then((m) => ({ default: m.FindView })));
const FitView = lazy(() => import("./views/fit/FitView").then((m) => ({ default: m.FitView })));
const Prove = lazy(() => import("./views/prove/Prove").then((m) => ({ default: m.Prove })));
const ProofStartView = lazy(() => import("./views/prove/StartView").then((m) => ({ default: m.StartView })));
const BleedView = lazy(() => import("./views/prove/BleedView").then((m) => ({ default: m.BleedView })));
const RoadView = lazy(() => import("./views/prove/RoadView").then((m) => ({ default: m.RoadView })));
const FaultView = lazy(() => import("./views/prove/FaultView").then((m) => ({ default: m.FaultView })));
const HandOverView = lazy(() =>
  import("./views/prove/HandOverView").then((m) => ({ default: m.HandOverView })),
);
const SheetView = lazy(() => import("./views/sheet/SheetView").then((m) => ({ default: m.SheetView })));
const Measure = lazy(() => import("./views/measure/Measure").then((m) => ({ default: m.Measure })));
const BenchView = lazy(() => import("./views/measure/BenchView").then((m) => ({ default: m.BenchView })));
const DecideView = lazy(() => import("./views/measure/DecideView").then((m) => ({ default: m.DecideView })));
const HistoryView = lazy(() =>
  import("./views/measure/HistoryView").then((m) => ({ default: m.HistoryView })),
);
const BackupsView = lazy(() =>
  import("./views/upkeep/BackupsView").then((m) => ({ default: m.BackupsView })),
);
const RecordView = lazy(() => import("./views/record/RecordView").then((m) => ({ default: m.RecordView })));

const late = (page: React.ReactNode) => (
  <Suspense fallback={<p className="p-8">Opening …</p>}>{page}</Suspense>
);

/** Opens a station on its first view; what the address asks for beside it stays. The router turns there before it
 *  draws, so that a click that comes meanwhile is the later one and holds. */
const opensOn = (view: string) => ({
  index: true as const,
  loader: ({ request }: LoaderFunctionArgs) => {
    const { pathname, search } = new URL(request.url);
    // where the browser came in at the station itself, the view takes its place: a step back must leave it
    const turn = location.pathname === pathname ? replace : redirect;
    return turn(`${pathname.replace(/\/$/, "")}/${view}${search}`);
  },
});

const FAILED = "Something on this page failed. What you entered is kept; load the page again.";

const router = createBrowserRouter([
  { path: "/", element: <Jobs />, errorElement: <Trouble sentence={FAILED} /> },
  {
    path: "/jobs/:id",
    element: <JobFrame />,
    errorElement: <Trouble sentence={FAILED} />,
    hydrateFallbackElement: <p className="p-8">Opening …</p>,
    children: [
      opensOn("brief"),
      { path: "brief", element: <Brief /> },
      {
        path: "choose",
        element: <Choose />,
        children: [
          opensOn("section"),
          { path: "section", element: late(<SectionView />) },
          { path: "bite", element: <BiteView /> },
          { path: "start", element: late(<StartView />) },
          { path: "flywheel", element: late(<FlywheelView />) },
          // addresses kept from before still lead there
          { path: "wheel", loader: ({ request }) => replace(request.url.replace("/wheel", "/flywheel")) },
          { path: "find", element: late(<FindView />) },
          { path: "moves", element: late(<MovesView />) },
          { path: "against", element: late(<AgainstView />) },
        ],
      },
      {
        path: "measure",
        element: late(<Measure />),
        children: [
          opensOn("bench"),
          { path: "bench", element: late(<BenchView />) },
          { path: "decide", element: late(<DecideView />) },
          { path: "history", element: late(<HistoryView />) },
        ],
      },
      { path: "fit", element: late(<FitView />) },
      {
        path: "prove",
        element: late(<Prove />),
        children: [
          opensOn("road"),
          { path: "bleed", element: late(<BleedView />) },
          { path: "start", element: late(<ProofStartView />) },
          { path: "road", element: late(<RoadView />) },
          { path: "fault", element: late(<FaultView />) },
          { path: "hand-over", element: late(<HandOverView />) },
        ],
      },
      { path: "sheet", element: late(<SheetView />) },
      { path: "record", element: late(<RecordView />) },
    ],
  },
  { path: "/backups", element: late(<BackupsView />), errorElement: <Trouble sentence={FAILED} /> },
  { path: "/shelf", element: late(<ShelfView />), errorElement: <Trouble sentence={FAILED} /> },
  { path: "*", element: <Trouble sentence="There is no page at this address." /> },
]);

export const App = () => (
  <>
    <RouterProvider router={router} />
    <AnotherState />
  </>
);
