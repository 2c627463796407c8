import { lazy, Suspense } from "react";
import { createBrowserRouter, Navigate } from "react-router";
import { RouterProvider } from "react-router/dom";
import { Brief } from "./views/Brief";
import { Choose } from "./views/Choose";
import { JobFrame } from "./views/JobFrame";
import { Jobs } from "./views/Jobs";
import { Trouble } from "./views/Trouble";

const SheetView = lazy(() => import("./views/SheetView").then((m) => ({ default: m.SheetView })));
const RecordView = lazy(() => import("./views/RecordView").then((m) => ({ default: m.RecordView })));

const later = (page: React.ReactNode) => (
  <Suspense fallback={<p className="p-8">Opening …</p>}>{page}</Suspense>
);

const FAILED = "Something on this page failed. What you entered is kept; load the page again.";

const router = createBrowserRouter([
  { path: "/", element: <Jobs />, errorElement: <Trouble sentence={FAILED} /> },
  {
    path: "/jobs/:id",
    element: <JobFrame />,
    errorElement: <Trouble sentence={FAILED} />,
    children: [
      { index: true, element: <Navigate to="brief" replace /> },
      { path: "brief", element: <Brief /> },
      { path: "choose", element: <Choose /> },
      { path: "sheet", element: later(<SheetView />) },
      { path: "record", element: later(<RecordView />) },
    ],
  },
  { path: "*", element: <Trouble sentence="There is no page at this address." /> },
]);

export const App = () => <RouterProvider router={router} />;
