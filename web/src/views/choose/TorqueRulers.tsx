import type { Scales } from "@/lib/chart";
import { tick, tickCount } from "@/lib/chart";

/** Axes as rulers: N·m and lb-ft side by side as on a two-sided rule, rpm below. */
export function Rulers({ scales }: { scales: Scales }) {
  const [left, right] = scales.x.range() as [number, number];
  const [bottom, top] = scales.y.range() as [number, number];
  const speeds = tickCount([left, right]);
  const outer = left - 54;
  const text = "fill-soft font-figure text-[12px]";
  return (
    <g stroke="var(--ink)" strokeWidth="1">
      <path d={`M${left} ${top}V${bottom}H${right}M${outer} ${top}V${bottom}`} fill="none" />
      {scales.y.ticks(6).map((value) => (
        <g key={value}>
          <path d={`M${outer} ${scales.y(value)}h7`} />
          <path d={`M${left} ${scales.y(value)}H${right}`} stroke="var(--hair)" strokeWidth="0.6" />
          <text x={outer - 7} y={scales.y(value) + 4} textAnchor="end" stroke="none" className={text}>
            {tick(value)}
          </text>
        </g>
      ))}
      {scales.y.ticks(30).map((value) => (
        <path key={value} d={`M${outer} ${scales.y(value)}h4`} strokeWidth="0.7" />
      ))}
      {scales.inch.ticks(6).map((value) => (
        <g key={value}>
          <path d={`M${left} ${scales.inch(value)}h-7`} />
          <text x={left - 10} y={scales.inch(value) + 4} textAnchor="end" stroke="none" className={text}>
            {tick(value)}
          </text>
        </g>
      ))}
      {scales.x.ticks(speeds).map((value) => (
        <g key={value}>
          <path d={`M${scales.x(value)} ${bottom}v-7`} />
          <text x={scales.x(value)} y={bottom + 16} textAnchor="middle" stroke="none" className={text}>
            {tick(value)}
          </text>
        </g>
      ))}
      {scales.x.ticks(speeds * 5).map((value) => (
        <path key={value} d={`M${scales.x(value)} ${bottom}v-4`} strokeWidth="0.7" />
      ))}
      <text x={outer} y={top - 8} stroke="none" textAnchor="end" className={text}>
        N·m
      </text>
      <text x={left} y={top - 8} stroke="none" textAnchor="end" className={text}>
        lb-ft
      </text>
      <text x={right} y={bottom + 34} stroke="none" textAnchor="end" className={text}>
        rpm
      </text>
    </g>
  );
}
