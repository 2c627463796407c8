import type { Launch } from "@/api/client";
import { useLaunch } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { EndLabel, Plot, pathThrough } from "@/components/Plot";
import { Scroll } from "@/components/Scroll";
import { RESULTS_COLUMN } from "@/lib/columns";
import { useJobEditor } from "@/lib/useJobEditor";
import { Links } from "./Links";
import { Results } from "./Results";

const HEAT = [
  "slip_time",
  "slip_energy",
  "specific_energy",
  "energy_margin",
  "bulk_rise",
  "flash_rise",
  "base_temperature",
  "surface_temperature",
  "heat_margin",
  "sustained_margin",
];
const WEAR = ["wear_per_start", "starts_to_limit", "distance_to_limit"];

/** A start, integrated: speeds, torque, heat and temperature over time, and ten of them in a row. */
export function StartView() {
  const editor = useJobEditor();
  const launch = useLaunch(editor.entered.id, editor.entered.revision, editor.looked);
  return (
    <Scroll label="The start" className={RESULTS_COLUMN}>
      {launch.error && !launch.data ? <p>▲ {launch.error.message}</p> : null}
      {launch.data && <Sheet launch={launch.data} />}
      <div className="mt-5 grid gap-x-8 gap-y-5 wide:grid-cols-2">
        <div>
          <h2 className="border-b border-ink pb-1 text-head font-bold">What can give way in Heat</h2>
          <Links question="heat" />
        </div>
        <div className="grid content-start gap-y-5">
          <Results names={HEAT} title="By constant torques" />
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
      <div className="grid gap-x-6 wide:grid-cols-2">
        <Speeds trace={trace} />
        <Heat trace={trace} />
      </div>
      {launch.closed_energy && launch.closed_time && (
        <p className="text-note text-soft">
          Integrated with throttle and pedal let go together. With constant torques, which the verdict uses:{" "}
          <Figure value={launch.closed_energy} /> in <Figure value={launch.closed_time} />.
        </p>
      )}
      <div className="mt-3 grid gap-x-8 gap-y-4 wide:grid-cols-2">
        <Kinds launch={launch} />
        {launch.repeated && <Row row={launch.repeated} />}
      </div>
    </>
  );
}

type Trace = NonNullable<Launch["trace"]>;

function Speeds({ trace }: { trace: Trace }) {
  const end = trace.time.at(-1) ?? 1;
  const most = Math.max(...trace.engine, ...trace.vehicle) * 1.08;
  return (
    <Plot label="Speeds over time" x={[0, end]} y={[0, most]} xUnit="s" yUnit="rpm">
      {(scales) => (
        <>
          <path
            d={`${pathThrough(trace.time, trace.engine, scales)}L${pathThrough([...trace.time].reverse(), [...trace.vehicle].reverse(), scales).slice(1)}Z`}
            fill="var(--hair)"
            opacity="0.55"
          />
          <path
            d={pathThrough(trace.time, trace.engine, scales)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2"
          />
          <path
            d={pathThrough(trace.time, trace.vehicle, scales)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.4"
            strokeDasharray="7 4"
          />
          <text
            x={scales.x(end * 0.03)}
            y={scales.y(trace.engine[0] ?? 0) - 6}
            className="text-[12px]"
            fill="var(--ink)"
          >
            engine
          </text>
          <text
            x={scales.x(end * 0.5)}
            y={scales.y(trace.vehicle[Math.floor(trace.vehicle.length * 0.5)] ?? 0) - 16}
            className="text-[12px]"
            fill="var(--ink)"
            textAnchor="end"
          >
            gearbox side
          </text>
          <EndLabel at={[scales.x(end), scales.y(trace.engine.at(-1) ?? 0)]}>
            {Math.round(trace.engine.at(-1) ?? 0)} rpm
          </EndLabel>
        </>
      )}
    </Plot>
  );
}

function Heat({ trace }: { trace: Trace }) {
  const end = trace.time.at(-1) ?? 1;
  const most = Math.max(1, ...trace.power) * 1.12;
  const torque = Math.max(1, ...trace.torque);
  const warm = Math.max(...trace.temperature);
  return (
    <Plot label="Heat and torque over time" x={[0, end]} y={[0, most]} xUnit="s" yUnit="kW" right={150}>
      {(scales) => {
        const scaled = trace.torque.map((value) => (value / torque) * most * 0.82);
        const heat = trace.heat.map((value) => (value / Math.max(trace.heat.at(-1) ?? 1, 1e-9)) * most * 0.6);
        return (
          <>
            <path
              d={pathThrough(trace.time, trace.power, scales)}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <path
              d={pathThrough(trace.time, scaled, scales)}
              fill="none"
              stroke="var(--ink)"
              strokeDasharray="7 4"
              strokeWidth="1.4"
            />
            <path
              d={pathThrough(trace.time, heat, scales)}
              fill="none"
              stroke="var(--ink)"
              strokeDasharray="2 3"
              strokeWidth="1.4"
            />
            <EndLabel at={[scales.x(end), scales.y(0) - 4]}>slip power</EndLabel>
            <EndLabel at={[scales.x(end), scales.y(scaled.at(-1) ?? 0)]}>
              torque, {Math.round(torque)} N·m
            </EndLabel>
            <EndLabel at={[scales.x(end), scales.y(heat.at(-1) ?? 0)]}>
              heat; plate {warm.toFixed(0)} °C
            </EndLabel>
          </>
        );
      }}
    </Plot>
  );
}

function Kinds({ launch }: { launch: Launch }) {
  return (
    <table className="w-full self-start text-note" data-testid="kinds">
      <caption className="border-b border-ink pb-1 text-left text-head font-bold">Kinds of start</caption>
      <thead>
        <tr className="text-left text-soft">
          <th className="font-normal">with this build</th>
          <th className="font-normal">ends</th>
          <th className="text-right font-normal">slips</th>
          <th className="text-right font-normal">heat</th>
        </tr>
      </thead>
      <tbody>
        {launch.kinds.map((kind) => (
          <tr
            key={kind.name}
            className={`border-b border-hair ${kind.name === launch.start?.name ? "font-bold" : ""}`}
          >
            <th scope="row" className="py-1 text-left font-[inherit]">
              {kind.label}
            </th>
            <td>{kind.outcome === "spins" ? "tyres spin" : kind.outcome}</td>
            <td className="figure text-right">
              {kind.slip_time.metric.figure} {kind.slip_time.metric.unit}
            </td>
            <td className="figure text-right">
              {kind.energy.metric.figure} {kind.energy.metric.unit}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Row({ row }: { row: NonNullable<Launch["repeated"]> }) {
  const count = row.begins.length;
  const hot = Math.max(...row.ends);
  const least = Math.min(...row.begins);
  // a limit far above must not squash what happens below it
  const near = row.sustained < hot + 2 * (hot - least) + 60;
  const most = near ? Math.max(hot, row.sustained) * 1.05 : hot + Math.max((hot - least) * 0.4, 4);
  return (
    <figure data-testid="row">
      <figcaption className="border-b border-ink pb-1 text-head font-bold">
        {count} in a row, one every {row.interval.metric.figure} {row.interval.metric.unit}
      </figcaption>
      <Plot
        label={`Plate temperature over ${count} starts`}
        x={[0, count]}
        y={[Math.floor((least - 1) / 5) * 5, most]}
        xUnit="starts"
        yUnit="°C"
        height={150}
        right={120}
      >
        {(scales) => (
          <>
            {row.begins.map((begins, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: starts are told apart by their order
              <g key={i}>
                <path
                  d={`M${scales.x(i + 0.25)} ${scales.y(begins)}L${scales.x(i + 0.55)} ${scales.y(row.ends[i] ?? begins)}`}
                  stroke="var(--ink)"
                  strokeWidth="3"
                />
                {i < count - 1 && (
                  <path
                    d={`M${scales.x(i + 0.55)} ${scales.y(row.ends[i] ?? 0)}L${scales.x(i + 1.25)} ${scales.y(row.begins[i + 1] ?? 0)}`}
                    stroke="var(--line)"
                  />
                )}
              </g>
            ))}
            {near ? (
              <>
                <path
                  d={`M${scales.x(0)} ${scales.y(row.sustained)}H${scales.x(count)}`}
                  stroke="var(--ink)"
                  strokeDasharray="5 4"
                />
                <EndLabel at={[scales.x(count), scales.y(row.sustained)]}>stands for long</EndLabel>
              </>
            ) : (
              <text x={scales.x(0) + 4} y={14} className="text-[12px]" fill="var(--soft)">
                the facing stands {row.sustained.toFixed(0)} °C for long, far above
              </text>
            )}
            <EndLabel at={[scales.x(count), scales.y(row.ends.at(-1) ?? 0)]}>
              {row.ends.at(-1)?.toFixed(0)} °C
            </EndLabel>
          </>
        )}
      </Plot>
    </figure>
  );
}
