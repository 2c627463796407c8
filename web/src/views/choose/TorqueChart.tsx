import { useId, useRef, useState } from "react";
import type { Chart } from "@/api/client";
import {
  chartBox,
  chartScales,
  curvePath,
  type Scales,
  spreadLabels,
  tick,
  tickCount,
  torqueAt,
} from "@/lib/chart";
import { useWidth } from "@/lib/useWidth";

/** Engine torque over speed at the crank, with the torque the clutch holds lying across it as a hatched band. */
export function TorqueChart({ chart }: { chart: Chart }) {
  const id = useId();
  const [rpm, setRpm] = useState<number | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const box = chartBox(useWidth(frame, 820));
  const scales = chartScales(chart, box);
  return (
    <div ref={frame}>
      <svg
        viewBox={`0 0 ${box.width} ${box.height}`}
        className="block h-auto w-full select-none"
        role="img"
        aria-label={describe(chart)}
        data-testid="torque-chart"
        onPointerMove={(event) => {
          const sheet = event.currentTarget.getBoundingClientRect();
          const at = scales.x.invert(((event.clientX - sheet.left) / sheet.width) * box.width);
          const [first, last] = scales.x.domain() as [number, number];
          setRpm(at >= first && at <= last ? at : null);
        }}
        onPointerLeave={() => setRpm(null)}
      >
        <defs>
          <pattern
            id={`${id}-band`}
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V7" stroke="var(--line)" strokeWidth="1" />
          </pattern>
          <pattern
            id={`${id}-slip`}
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(-45)"
          >
            <path d="M0 0V5" stroke="var(--ink)" strokeWidth="1.6" />
          </pattern>
          <clipPath id={`${id}-sheet`}>
            <rect
              x={box.left}
              y={box.top}
              width={box.width - box.left - box.right}
              height={box.height - box.top - box.bottom}
            />
          </clipPath>
        </defs>
        <Rulers scales={scales} />
        <g clipPath={`url(#${id}-sheet)`}>
          <Held chart={chart} scales={scales} fill={`url(#${id}-band)`} />
          <Slips chart={chart} scales={scales} fill={`url(#${id}-slip)`} />
          <path
            d={curvePath(chart.now, scales)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={chart.planned ? 1.5 : 3}
          />
          {chart.planned && (
            <path d={curvePath(chart.planned, scales)} fill="none" stroke="var(--ink)" strokeWidth="3" />
          )}
        </g>
        <SlipTicks chart={chart} scales={scales} />
        <LineLabels chart={chart} scales={scales} />
        {rpm !== null && <Cursor chart={chart} scales={scales} rpm={rpm} />}
      </svg>
    </div>
  );
}

function describe(chart: Chart): string {
  const slips = chart.slips.map(({ start: from, end: to }) => `${tick(from)} to ${tick(to)} rpm`).join(", ");
  return `Engine torque over speed. ${slips ? `Slips at low friction from ${slips}.` : "No slip at low friction."}`;
}

type Drawn = { chart: Chart; scales: Scales };

/** Axes as rulers: N·m and lb-ft side by side as on a two-sided rule, rpm below. */
function Rulers({ scales }: { scales: Scales }) {
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

function Held({ chart, scales, fill }: Drawn & { fill: string }) {
  if (chart.holds_low === null || chart.holds_high === null || chart.holds_nominal === null) return null;
  const [left, right] = scales.x.range() as [number, number];
  const [low, nominal, high] = [chart.holds_low, chart.holds_nominal, chart.holds_high].map((t) =>
    scales.y(t),
  );
  return (
    <g data-testid="capacity-band">
      <rect x={left} y={high} width={right - left} height={(low ?? 0) - (high ?? 0)} fill={fill} />
      <path d={`M${left} ${low}H${right}`} stroke="var(--ink)" strokeWidth="2" />
      <path
        d={`M${left} ${nominal}H${right}`}
        stroke="var(--ink)"
        strokeWidth="1"
        strokeDasharray="14 4 2 4"
      />
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
function Slips({ chart, scales, fill }: Drawn & { fill: string }) {
  const held = chart.holds_low;
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

function SlipTicks({ chart, scales }: Drawn) {
  const held = chart.holds_low;
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

/** Names at the ends of the lines instead of a legend. */
function LineLabels({ chart, scales }: Drawn) {
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

function Cursor({ chart, scales, rpm }: Drawn & { rpm: number }) {
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
