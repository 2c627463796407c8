import type { Launch } from "@/api/client";
import { EndLabel, Plot, pathThrough } from "@/components/Plot";

type Trace = NonNullable<Launch["trace"]>;

export function Speeds({ trace }: { trace: Trace }) {
  const end = trace.time.at(-1) ?? 1;
  const most = Math.max(...trace.engine, ...trace.gearbox) * 1.08;
  return (
    <Plot label="Speeds over time" x={[0, end]} y={[0, most]} xUnit="s" yUnit="rpm">
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
            x={scales.x(end * 0.5)}
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

export function Heat({ trace }: { trace: Trace }) {
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
