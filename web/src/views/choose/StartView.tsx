import type { Launch } from "@/api/client";
import { useLaunch } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Scroll } from "@/components/Scroll";
import { RESULTS_COLUMN } from "@/lib/columns";
import { useJobEditor } from "@/lib/useJobEditor";
import { Links } from "./Links";
import { RepeatedStarts } from "./RepeatedStarts";
import { Results } from "./Results";
import { Kinds } from "./StartKinds";
import { Heat, Speeds } from "./StartTraces";
import { Stint } from "./Stint";

const HEAT = [
  "start_clutch_torque",
  "slip_time",
  "slip_energy",
  "tyre_energy",
  "peak_slip_power",
  "lowest_start_speed",
  "specific_energy",
  "energy_margin",
  "bulk_rise",
  "flash_rise",
  "base_temperature",
  "surface_temperature",
  "hot_temperature",
  "heat_margin",
  "sustained_margin",
  "heat_split",
  "other_specific_energy",
  "other_energy_margin",
  "other_surface_temperature",
  "other_heat_margin",
];
/** What is worked out besides where the clutch does not hold full load. */
const SLIPPING = ["full_load_slip_power", "full_load_temperature"];
const WEAR = ["wear_per_start", "starts_to_limit", "distance_to_limit"];

/** A start, integrated: speeds, torque, heat and temperature over time, and ten of them in a row. */
export function StartView() {
  const editor = useJobEditor();
  const slips = editor.shown.verdicts.some((verdict) => verdict.state === "slips");
  const launch = useLaunch(editor.entered.id, editor.entered.revision, editor.looked);
  return (
    <Scroll label="The start" className={RESULTS_COLUMN}>
      {launch.error && !launch.data ? <p>▲ {launch.error.message}</p> : null}
      {launch.data && <Sheet launch={launch.data} />}
      <div className="mt-5 grid grid-cols-1 gap-x-8 gap-y-5 wide:grid-cols-2">
        <div>
          <h2 className="border-b border-ink pb-1 text-head font-bold">What can give way in Heat</h2>
          <Links question="heat" />
        </div>
        <div className="grid content-start gap-y-5">
          <Results names={slips ? [...SLIPPING, ...HEAT] : HEAT} title="Heat of the start" />
          <Results names={WEAR} title="Wear" />
        </div>
      </div>
    </Scroll>
  );
}

function Sheet({ launch }: { launch: Launch }) {
  if (launch.trouble) return <p className="font-semibold">▲ {launch.trouble}</p>;
  if (!launch.trace || !launch.start) {
    return (
      <>
        <h1 className="text-head font-bold">Does it survive the start?</h1>
        <p className="my-3 max-w-prose">
          A start can be worked out once these are known:{" "}
          {launch.needs.map((need) => need.label.toLowerCase()).join(", ")}.
        </p>
      </>
    );
  }
  const { trace, start } = launch;
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 border-b border-ink pb-1">
        <h1 className="text-head font-bold">{start.label}</h1>
        <p data-testid="start-outcome">
          <span className="font-bold">{launch.sentence}</span> Slips <Figure value={start.slip_time} />, heat{" "}
          <Figure value={start.energy} />
        </p>
      </div>
      <div className="grid grid-cols-1 gap-x-6 wide:grid-cols-2">
        <Speeds trace={trace} />
        <Heat trace={trace} />
      </div>
      {launch.closed_energy && launch.closed_time && (
        <p className="text-note text-soft">
          With the engine's speed held and tyres that grip, in closed form:{" "}
          <Figure value={launch.closed_energy} /> in <Figure value={launch.closed_time} />.
        </p>
      )}
      {launch.upshift && (
        <p className="mt-1 text-note" data-testid="upshift">
          {launch.upshift}
        </p>
      )}
      {launch.stint && <Stint schedule={launch.stint} />}
      <div className="mt-3 grid grid-cols-1 gap-x-8 gap-y-4 wide:grid-cols-2">
        <Kinds launch={launch} />
        {launch.repeated && <RepeatedStarts row={launch.repeated} />}
      </div>
    </>
  );
}
