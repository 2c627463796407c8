import type { Chart } from "@/api/client";
import type { Scales } from "@/lib/chart";
import { tick, torqueAt } from "@/lib/chart";

export type Drawn = { chart: Chart; scales: Scales };

export function Held({ chart, scales, fill }: Drawn & { fill: string }) {
  if (chart.holds_low === null || chart.holds_high === null || chart.holds_nominal === null) return null;
  const [left, right] = scales.x.range() as [number, number];
  const [low, nominal, high] = [chart.holds_low, chart.holds_nominal, chart.holds_high].map((t) =>
    scales.y(t),
  );
  return (
    <g data-testid="capacity-band">
      <rect x={left} y={high} width={right - left} height={(low ?? 0) - (high ?? 0)} fill={fill} />
      <path d={`M${left} ${nominal}H${right}`} stroke="var(--ink)" strokeWidth="2" />
      <path d={`M${left} ${low}H${right}`} stroke="var(--ink)" strokeWidth="1" strokeDasharray="14 4 2 4" />
      <path d={`M${left} ${high}H${right}`} stroke="var(--line)" strokeWidth="1" />
      {chart.keeps !== null && (
        <path
          d={`M${left} ${scales.y(chart.keeps)}H${right}`}
          stroke="var(--ink)"
          strokeWidth="1.2"
          strokeDasharray="5 4"
        />
      )}
    </g>
  );
}

/** Where the engine gets through, the area between its curve and the clutch is filled. */
export function Slips({ chart, scales, fill }: Drawn & { fill: string }) {
  const held = chart.holds_nominal;
  if (held === null) return null;
  const curve = chart.planned ?? chart.now;
  return chart.slips.map(({ start: from, end: to }) => {
    const inside = curve.rpm
      .map((rpm, i): [number, number] => [rpm, curve.torque[i] ?? 0])
      .filter(([rpm]) => rpm > from && rpm < to);
    const ends = [from, to].map((rpm): [number, number] => [rpm, torqueAt(curve, rpm) ?? held]);
    const points = [[from, held], ends[0], ...inside, ends[1], [to, held]] as [number, number][];
    const d = `M${points.map(([rpm, torque]) => `${scales.x(rpm)} ${scales.y(torque)}`).join("L")}Z`;
    return <path key={from} d={d} fill={fill} />;
  });
}

export function SlipTicks({ chart, scales }: Drawn) {
  const held = chart.holds_nominal;
  if (held === null) return null;
  const bottom = scales.y.range()[0] ?? 0;
  return chart.slips.map(({ start: from, end: to }) => (
    <g key={from} className="font-figure text-[13px] font-bold" fill="var(--ink)" data-testid="slip-mark">
      <path
        d={`M${scales.x(from)} ${scales.y(held)}V${bottom}M${scales.x(to)} ${scales.y(held)}V${bottom}`}
        stroke="var(--ink)"
        strokeWidth="1"
        strokeDasharray="2 3"
      />
      <path
        d={`M${scales.x(from)} ${bottom - 26}H${scales.x(to)}M${scales.x(from) + 7} ${bottom - 30}l-7 4l7 4M${scales.x(to) - 7} ${bottom - 30}l7 4l-7 4`}
        stroke="var(--ink)"
        fill="none"
      />
      <text x={(scales.x(from) + scales.x(to)) / 2} y={bottom - 32} textAnchor="middle">
        slips {tick(Math.round(from / 10) * 10)}–{tick(Math.round(to / 10) * 10)} rpm
      </text>
    </g>
  ));
}
