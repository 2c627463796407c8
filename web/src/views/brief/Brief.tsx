import { useReducer } from "react";
import { useCatalogue } from "@/api/queries";
import { Jumps } from "@/components/Jumps";
import { Photos } from "@/components/Photos";
import { Row, Rows } from "@/components/Rows";
import { Scroll } from "@/components/Scroll";
import { ENTRIES_COLUMN, RESULTS_COLUMN, TWO_COLUMNS } from "@/lib/columns";
import { groupsOf } from "@/lib/groups";
import { useJobEditor } from "@/lib/useJobEditor";
import { Results } from "@/views/choose/Results";
import { TorqueChart } from "@/views/choose/TorqueChart";
import { CurveRow } from "./CurveRow";

const OUTPUT = [
  "peak_engine_torque",
  "peak_engine_torque_speed",
  "peak_engine_power",
  "peak_engine_power_speed",
];

/** The brief: what the engine makes, what is planned, how it is used. */
export function Brief() {
  const { shown, entered: job } = useJobEditor();
  const groups = groupsOf(useCatalogue().data, "brief", null);
  const [turned, turn] = useReducer((n: number) => n + 1, 0);
  const row = (name: string) => (name.endsWith("_curve") ? <CurveRow key={name} name={name} /> : undefined);
  return (
    <div className={TWO_COLUMNS}>
      <Scroll label="Brief" className={ENTRIES_COLUMN}>
        <Jumps groups={groups} onTurn={turn} />
        {groups.map((group) => (
          <Rows key={`${group.name} ${turned}`} group={group}>
            {row}
          </Rows>
        ))}
        <section aria-label="The job">
          <h2 className="mb-1 border-b border-ink pb-1 text-head font-bold">The job</h2>
          <Row name="job_name" />
          <Row name="vehicle" />
          <Row name="complaint" lines={2} />
          <Row name="customer" />
          <Row name="registration" />
          <Row name="mileage" />
          <Row name="notes" lines={4} />
          <Photos job={job.id} of="job" all />
        </section>
      </Scroll>
      <Scroll label="What the engine makes" className={RESULTS_COLUMN}>
        <h1 className="text-head font-bold">Torque at the crank</h1>
        {shown.chart ? (
          <>
            <TorqueChart chart={shown.chart} />
            <div className="mt-4 grid gap-x-8 wide:grid-cols-2">
              <Results names={OUTPUT} stage="now" title={shown.has_plan ? "Engine as it is" : "Engine"} />
              {shown.has_plan && <Results names={OUTPUT} stage="planned" title="Planned engine" />}
            </div>
            <p className="mt-4 flex flex-wrap gap-5">
              <a className="plain-link" href={`/api/jobs/${shown.id}/curve.csv?stage=now`} download>
                Curve as CSV
              </a>
              {shown.has_plan && (
                <a className="plain-link" href={`/api/jobs/${shown.id}/curve.csv?stage=planned`} download>
                  Planned curve as CSV
                </a>
              )}
            </p>
          </>
        ) : (
          <p className="mt-3 max-w-prose text-soft">
            There is no curve yet. Drop in a dynamometer file, or take two peaks, and say whether the figures
            were taken at the crank or at the wheels: a wheel figure must never be held against a clutch
            rating.
          </p>
        )}
      </Scroll>
    </div>
  );
}
