import type { Calculation } from "@/api/client";
import { EndLabel, Plot, pathThrough } from "@/components/Plot";

type Lines = Extract<Calculation["shows"][number], { kind: "lines" }>;

/** Lengths along a length, each named at its end. */
export function LinesChart({ lines }: { lines: Lines }) {
  const every = lines.curves.flatMap((curve) => curve.y);
  const end = lines.x.at(-1) ?? 0;
  return (
    <Plot
      label={lines.about}
      x={[0, end]}
      y={[Math.min(0, ...every), Math.max(...every, 0.1)]}
      xUnit={`${lines.unit} ${lines.along}`}
      yUnit={lines.unit}
      height={150}
    >
      {(scales) =>
        lines.curves.map(({ label, leading, y }) => (
          <g key={label}>
            <path
              d={pathThrough(lines.x, y, scales)}
              fill="none"
              stroke={leading ? "var(--now)" : "var(--ink)"}
              strokeWidth={leading ? 2.5 : 1.5}
            />
            <EndLabel at={[scales.x(end), scales.y(y.at(-1) ?? 0)]}>{label}</EndLabel>
          </g>
        ))
      }
    </Plot>
  );
}
