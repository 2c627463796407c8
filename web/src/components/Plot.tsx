import { type ScaleLinear, scaleLinear } from "d3-scale";
import { type ReactNode, useRef } from "react";
import { useWidth } from "@/lib/useWidth";

export type Scales = { x: ScaleLinear<number, number>; y: ScaleLinear<number, number> };

type Props = {
  label: string;
  x: [number, number];
  y: [number, number];
  xUnit: string;
  yUnit: string;
  height?: number;
  right?: number;
  children: (scales: Scales) => ReactNode;
};

/** A chart drawn like the rest: axes as rulers, no frame, no legend; what it shows is labelled where it lies. */
export function Plot({ label, x, y, xUnit, yUnit, height = 180, right = 96, children }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const width = Math.max(useWidth(frame, 400), 240);
  const [left, top, bottom] = [52, 18, 24];
  const scales = {
    x: scaleLinear(x, [left, width - right]),
    y: scaleLinear(y, [height - bottom, top]),
  };
  const [ticksX, ticksY] = [scales.x.ticks(Math.floor(width / 90)), scales.y.ticks(4)];
  return (
    <div ref={frame} className="w-full">
      <svg width={width} height={height} role="img" aria-label={label} className="block">
        <g className="font-figure text-[12px]" fill="var(--soft)">
          {ticksY.map((value) => (
            <g key={value}>
              <path d={`M${left} ${scales.y(value)}H${width - right}`} stroke="var(--hair)" />
              <text x={left - 6} y={scales.y(value) + 4} textAnchor="end">
                {value}
              </text>
            </g>
          ))}
          <text x={left} y={top - 2} textAnchor="end">
            {yUnit}
          </text>
          {ticksX.map((value, i) => (
            <g key={value}>
              <path d={`M${scales.x(value)} ${height - bottom}v5`} stroke="var(--line)" />
              <text x={scales.x(value)} y={height - 6} textAnchor="middle">
                {value}
                {i === ticksX.length - 1 ? ` ${xUnit}` : ""}
              </text>
            </g>
          ))}
        </g>
        <path d={`M${left} ${height - bottom}H${width - right}`} stroke="var(--ink)" />
        {children(scales)}
      </svg>
    </div>
  );
}

/** A line through points. */
export const pathThrough = (xs: readonly number[], ys: readonly number[], { x, y }: Scales) =>
  `M${xs.map((value, i) => `${x(value).toFixed(1)} ${y(ys[i] ?? 0).toFixed(1)}`).join("L")}`;

/** A name at the end of a line. */
export function EndLabel({ at, children }: { at: [number, number]; children: ReactNode }) {
  return (
    <text x={at[0] + 6} y={at[1] + 4} className="text-[12px]" fill="var(--ink)">
      {children}
    </text>
  );
}
