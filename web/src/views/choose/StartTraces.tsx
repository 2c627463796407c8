import type { Launch } from "@/api/client";
import { EndLabel, Plot, pathThrough } from "@/components/Plot";

type Trace = NonNullable<Launch["trace"]>;

export function Speeds({ trace }: { trace: Trace }) {
  const end = trace.time.at(-1) ?? 1;
  const most = Math.max(...trace.engine, ...trace.gearbox) * 1.08;
  return (
    <Plot label="Speeds over time" x={[0, end]} y={[0, most]} xUnit="s" yUnit="rpm" height={300}>
      {(scales) => (
        <>
          <path
            d={`${pathThrough(trace.time, trace.engine, scales)}L${pathThrough([...trace.time].reverse(), [...trace.gearbox].reverse(), scales).slice(1)}Z`}
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
            strokeWidth="1"
            strokeDasharray="2 4"
          />
          <path
            d={pathThrough(trace.time, trace.gearbox, scales)}
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
            x={scales.x(end * 0.46)}
            y={scales.y(trace.gearbox[Math.floor(trace.gearbox.length * 0.5)] ?? 0) - 16}
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

/** What the clutch passes on, what it burns and how warm that makes the plate: one unit to an axis. */
export function Heat({ trace }: { trace: Trace }) {
  const kept = trace.heat.at(-1) ?? 0;
  return (
    <div className="grid gap-y-1">
      <Line trace={trace} values={trace.torque} unit="N·m" name="torque" dash="7 4">
        torque passed on
      </Line>
      <Line trace={trace} values={trace.power} unit="kW" name="slip power">
        slip power, {kept.toPrecision(3)} kJ in all
      </Line>
      <Line trace={trace} values={trace.temperature} unit="°C" name="plate temperature" dash="2 3" floor>
        plate
      </Line>
    </div>
  );
}

type LineProps = {
  trace: Trace;
  values: number[];
  unit: string;
  name: string;
  dash?: string;
  /** True for an axis that begins near the lowest value: a temperature has no nought that matters. */
  floor?: boolean;
  children: React.ReactNode;
};

function Line({ trace, values, unit, name, dash, floor = false, children }: LineProps) {
  const end = trace.time.at(-1) ?? 1;
  const [low, high] = [floor ? Math.min(...values) : 0, Math.max(...values)];
  const spare = Math.max((high - low) * 0.12, 0.5);
  const peak = values.indexOf(high);
  return (
    <Plot
      label={`${name} over time`}
      x={[0, end]}
      y={[floor ? low - spare : 0, high + spare]}
      xUnit="s"
      yUnit={unit}
      height={104}
      right={170}
    >
      {(scales) => (
        <>
          <path
            d={pathThrough(trace.time, values, scales)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.6"
            strokeDasharray={dash}
          />
          <EndLabel at={[scales.x(end), (scales.y(low) + scales.y(high)) / 2]}>{children}</EndLabel>
          <text
            x={scales.x(trace.time[peak] ?? 0)}
            y={scales.y(high) - 3}
            textAnchor={peak > values.length * 0.8 ? "end" : "middle"}
            className="font-figure text-[12px]"
            fill="var(--ink)"
          >
            {high < 10 ? high.toFixed(1) : Math.round(high)}
          </text>
        </>
      )}
    </Plot>
  );
}
