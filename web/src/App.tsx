import { lazy, Suspense } from "react";
import { createBrowserRouter, type LoaderFunctionArgs, redirect, replace } from "react-router";
import { RouterProvider } from "react-router/dom";
import { BiteView } from "./views/BiteView";
import { Brief } from "./views/Brief";
import { Choose } from "./views/Choose";
import { JobFrame } from "./views/JobFrame";
import { Jobs } from "./views/Jobs";
import { Trouble } from "./views/Trouble";

const SectionView = lazy(() => import("./views/bench/SectionView").then((m) => ({ default: m.SectionView })));
const StartView = lazy(() => import("./views/bench/StartView").then((m) => ({ default: m.StartView })));
const WheelView = lazy(() => import("./views/bench/WheelView").then((m) => ({ default: m.WheelView })));
const MovesView = lazy(() => import("./views/bench/MovesView").then((m) => ({ default: m.MovesView })));
const ShelfView = lazy(() => import("./views/shelf/ShelfView").then((m) => ({ default: m.ShelfView })));
const FindView = lazy(() => import("./views/find/FindView").then((m) => ({ default: m.FindView })));
const SheetView = lazy(() => import("./views/SheetView").then((m) => ({ default: m.SheetView })));
const Measure = lazy(() => import("./views/measure/Measure").then((m) => ({ default: m.Measure })));
const BenchView = lazy(() => import("./views/measure/BenchView").then((m) => ({ default: m.BenchView })));
const DecideView = lazy(() => import("./views/measure/DecideView").then((m) => ({ default: m.DecideView })));
const HistoryView = lazy(() =>
  import("./views/measure/HistoryView").then((m) => ({ default: m.HistoryView })),
);
const RecordView = lazy(() => import("./views/RecordView").then((m) => ({ default: m.RecordView })));

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
          { path: "wheel", element: late(<WheelView />) },
          { path: "find", element: late(<FindView />) },
          { path: "moves", element: late(<MovesView />) },
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
      { path: "sheet", element: late(<SheetView />) },
      { path: "record", element: late(<RecordView />) },
    ],
  },
  { path: "/shelf", element: late(<ShelfView />), errorElement: <Trouble sentence={FAILED} /> },
  { path: "*", element: <Trouble sentence="There is no page at this address." /> },
]);

export const App = () => <RouterProvider router={router} />;
