import { Link } from "react-router";
import type { Figure as FigureData, Flywheel } from "@/api/client";
import { useFlywheel } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Scroll } from "@/components/Scroll";
import { RESULTS_COLUMN } from "@/lib/columns";
import { first } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";
import { Beside } from "./Beside";
import { Links } from "./Links";
import { Results } from "./Results";

const SPEED = [
  "burst_speed",
  "burst_margin",
  "certified_margin",
  "mean_hoop_stress",
  "bore_stress",
  "elastic_margin",
  "rim_speed",
  "disc_speed_missed_shift",
  "disc_speed_margin",
];
const BALANCE = [
  "permissible_unbalance",
  "residual_unbalance",
  "balance_margin",
  "unbalance_force",
  "drill_depth",
];
const JOINT = ["bolt_preload", "proof_margin", "joint_slip_torque", "joint_margin", "synchro_energy"];

const RUNS = [
  "housing_bore_margin",
  "housing_face_margin",
  "flywheel_face_margin",
  "pilot_margin",
  "pilot_room_margin",
];

/** The flywheel: what changes with another one and what does not; its strength, balance, joint and runout. */
export function FlywheelView() {
  const editor = useJobEditor();
  const wheel = useFlywheel(editor.entered.id, editor.entered.revision, editor.looked);
  return (
    <Scroll label="The wheel" className={RESULTS_COLUMN}>
      <h1 className="text-head font-bold">Old flywheel against new</h1>
      {wheel.data && <Change wheel={wheel.data} />}
      <div className="mt-5 grid gap-x-8 gap-y-5 wide:grid-cols-2">
        <div>
          <h2 className="border-b border-ink pb-1 text-head font-bold">What can give way in True</h2>
          <Links question="true" />
          <p className="mt-3 text-note text-soft">
            Competition rules ask for wheels certified by their maker and a scatter housing round them. This
            is a calculation and certifies nothing; drilled, welded or cracked wheels are scrap. Whoever revs
            a wheel that is not proved stays out of its plane.
          </p>
        </div>
        <div className="grid content-start gap-y-5">
          <Results names={SPEED} title="Speed" />
          <Results names={BALANCE} title="Balance" />
          <Results names={JOINT} title="Joint and shifting" />
          <Results names={RUNS} title="Runout and reach, as the bench read them" />
        </div>
      </div>
      <Beside name="instructions" />
    </Scroll>
  );
}

function Change({ wheel }: { wheel: Flywheel }) {
  return (
    <>
      {wheel.needs.length > 0 && (
        <p className="my-2 text-soft">
          Needs {wheel.needs.map((need) => need.label.toLowerCase()).join(", ")}.
        </p>
      )}
      {!wheel.has_old && (
        <p className="my-2 text-soft">
          Say under{" "}
          <Link className="plain-link" to="../against">
            Builds
          </Link>{" "}
          that the flywheel is renewed, and enter the one that comes out as found: both then stand side by
          side.
        </p>
      )}
      <div className="mt-1 grid gap-x-8 gap-y-4 wide:grid-cols-2">
        <table className="w-full self-start" data-testid="wheel-change">
          <thead>
            <tr className="border-b border-ink text-left text-note text-soft">
              <th className="font-normal">In figures</th>
              <th className="text-right font-normal">old</th>
              <th className="text-right font-normal">new</th>
            </tr>
          </thead>
          <tbody>
            {wheel.figures.map(({ name, label, old, new: now }) => {
              const same = old && now && first(old).figure === first(now).figure;
              return (
                <tr key={name} className="border-b border-hair align-baseline">
                  <th scope="row" className="py-1 pr-2 text-left font-normal">
                    {label}
                    {same && <span className="text-note text-soft"> stays</span>}
                  </th>
                  <Cell value={old} />
                  <Cell value={now} bold />
                </tr>
              );
            })}
          </tbody>
        </table>
        <Gears wheel={wheel} />
      </div>
    </>
  );
}

const Cell = ({ value, bold = false }: { value: FigureData | null; bold?: boolean }) => (
  <td className={`whitespace-nowrap py-1 pl-4 text-right ${bold ? "font-bold" : ""}`}>
    {value ? (
      <span className="figure whitespace-nowrap">
        {first(value).figure} <span className="text-[0.8em] text-soft">{first(value).unit}</span>
      </span>
    ) : (
      <span className="text-soft">open</span>
    )}
  </td>
);

/** What the turning parts weigh on the road, gear by gear, as bars. */
function Gears({ wheel }: { wheel: Flywheel }) {
  if (wheel.gears.length === 0) {
    return <p className="text-soft">Enter the gears to see what the turning parts feel like in each.</p>;
  }
  const most = Math.max(...wheel.gears.flatMap((g) => [g.old?.si ?? 0, g.new?.si ?? 0]), 1e-9);
  return (
    <table className="w-full self-start" data-testid="gears">
      <thead>
        <tr className="border-b border-ink text-left text-note text-soft">
          <th className="font-normal">Gear</th>
          <th className="font-normal">Felt mass; the outline is the old wheel</th>
          <th className="text-right font-normal">new</th>
          <th className="text-right font-normal">of vehicle</th>
        </tr>
      </thead>
      <tbody>
        {wheel.gears.map((gear) => (
          <tr key={gear.gear} className="border-b border-hair">
            <th scope="row" className="figure py-1 pr-2 text-left font-normal">
              {gear.gear} <span className="text-note text-soft">{gear.ratio}</span>
            </th>
            <td className="w-[45%]">
              <svg viewBox="0 0 100 12" preserveAspectRatio="none" className="h-4 w-full" aria-hidden="true">
                <rect y="2" width={((gear.new?.si ?? 0) / most) * 100} height="8" fill="var(--ink)" />
                <rect
                  y="2"
                  width={((gear.old?.si ?? 0) / most) * 100}
                  height="8"
                  fill="none"
                  stroke="var(--ink)"
                  vectorEffect="non-scaling-stroke"
                />
              </svg>
            </td>
            <td className="whitespace-nowrap pl-3 text-right">{gear.new && <Figure value={gear.new} />}</td>
            <td className="figure text-right">
              {gear.of_vehicle === null ? "" : `${(gear.of_vehicle * 100).toFixed(1)} %`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
