import { Link } from "react-router";
import { Scroll } from "@/components/Scroll";
import { usePanel } from "@/lib/address";
import { RESULTS_COLUMN } from "@/lib/columns";
import { useJobEditor } from "@/lib/useJobEditor";
import { Links } from "./Links";
import { Results } from "./Results";
import { TorqueChart } from "./TorqueChart";

const CAPACITY = [
  "torque_capacity",
  "holdable_engine_torque",
  "bite_margin",
  "clamp_load",
  "effective_radius",
  "friction_faces",
];
const DEMAND = ["peak_engine_torque", "torque_at_clutch", "torque_demand"];
const PRESSURE = [
  "mean_pressure",
  "edge_pressure",
  "pressure_margin",
  "facing_area",
  "facing_area_total",
  "other_mean_pressure",
  "other_pressure_margin",
];
const CHAIN = ["shaft_margin", "spline_margin", "damper_margin"];

/** Does it hold? Engine torque over speed with what the clutch holds across it. */
export function BiteView() {
  const { shown } = useJobEditor();
  const panel = usePanel();
  return (
    <Scroll label="Results" className={RESULTS_COLUMN}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
        <h1 className="text-head font-bold">Does it hold?</h1>
        <p className="flex gap-5">
          <Link className="plain-link" to={panel({ ask: "" })} replace>
            Ask it backwards
          </Link>
          <Link className="plain-link" to={panel({ assumptions: "" })} replace>
            {shown.assumptions.length} assumptions
          </Link>
        </p>
      </div>
      {shown.chart ? (
        <TorqueChart chart={shown.chart} />
      ) : (
        <p className="my-4 text-soft">
          The chart waits for the engine's curve:{" "}
          <Link className="plain-link" to="../../brief">
            give it in the brief
          </Link>
          .
        </p>
      )}
      <Links />
      <div className="mt-5 grid gap-x-8 gap-y-5 wide:grid-cols-2">
        <Results names={CAPACITY} title="Capacity" />
        <div className="grid content-start gap-y-5">
          <Results names={DEMAND} title="Demand" />
          <Results names={PRESSURE} title="Face pressure: a question of life" />
          <Results names={CHAIN} title="What breaks if it does not slip" />
        </div>
      </div>
    </Scroll>
  );
}
