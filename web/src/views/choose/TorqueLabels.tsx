import { spreadLabels, tick, torqueAt } from "@/lib/chart";
import type { Drawn } from "./TorqueHeld";

/** Names at the ends of the lines instead of a legend. */
export function LineLabels({ chart, scales }: Drawn) {
  const right = scales.x.range()[1] ?? 0;
  const [bottom, top] = scales.y.range() as [number, number];
  const end = (torque: number[]) => torque[torque.length - 1] ?? 0;
  const raw = [
    {
      text: chart.planned ? "planned engine" : "engine",
      y: scales.y(end((chart.planned ?? chart.now).torque)),
    },
    ...(chart.planned ? [{ text: "engine now", y: scales.y(end(chart.now.torque)) }] : []),
    ...(chart.holds_low !== null ? [{ text: "holds, low friction", y: scales.y(chart.holds_low) }] : []),
    ...(chart.holds_nominal !== null ? [{ text: "holds, nominal", y: scales.y(chart.holds_nominal) }] : []),
    ...(chart.holds_high !== null ? [{ text: "holds, high", y: scales.y(chart.holds_high) }] : []),
    ...(chart.keeps !== null ? [{ text: "holds with reserve", y: scales.y(chart.keeps) }] : []),
  ].map((label) => ({ ...label, from: Math.max(label.y, top) }));
  return (
    <g className="font-sans text-[13px]" fill="var(--ink)">
      {spreadLabels(raw, 17, top, bottom).map((label) => (
        <g key={label.text}>
          <path d={`M${right + 2} ${label.from}L${right + 16} ${label.y}`} stroke="var(--line)" fill="none" />
          <text x={right + 20} y={label.y + 4}>
            {label.text}
          </text>
        </g>
      ))}
    </g>
  );
}

export function Cursor({ chart, scales, rpm }: Drawn & { rpm: number }) {
  const curve = chart.planned ?? chart.now;
  const torque = torqueAt(curve, rpm);
  if (torque === null) return null;
  const [x, y] = [scales.x(rpm), scales.y(torque)];
  const top = scales.y.range()[1] ?? 0;
  const words = `${tick(Math.round(rpm / 10) * 10)} rpm  ${tick(torque)} N·m  ${tick(torque * chart.inch_per_metric)} lb-ft`;
  return (
    <g pointerEvents="none">
      <path d={`M${x} ${top}V${scales.y.range()[0]}`} stroke="var(--now)" strokeWidth="1" />
      <circle cx={x} cy={y} r="4" fill="var(--now)" />
      <text
        x={Math.min(x + 8, (scales.x.range()[1] ?? 0) - 190)}
        y={top - 8}
        className="font-figure text-[13px]"
        fill="var(--now)"
      >
        {words}
      </text>
    </g>
  );
}
