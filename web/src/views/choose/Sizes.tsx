import type { Section } from "@/api/client";
import type { View } from "@/lib/motion";
import { onSheet } from "@/lib/outline";
import { first } from "@/lib/units";
import { bothSystems } from "@/lib/words";

/** Dimension lines with their figures: diameters in columns beside the section, thicknesses under the shaft line. */
export function Sizes({
  section,
  moved,
  view,
  edge,
}: {
  section: Section;
  moved: number[];
  view: View;
  edge: number;
}) {
  let column = edge + 16;
  let under = 0;
  return (
    <g className="font-figure text-[12px]" stroke="var(--now)" fill="var(--now)" data-testid="sizes">
      {section.dimensions.map((dimension) => {
        const [a, b] = onSheet([dimension.start, dimension.end], moved, view);
        if (!a || !b) return null;
        if (dimension.across) {
          const x = column;
          column += 21;
          return (
            <g key={dimension.name}>
              <title>{dimension.label}</title>
              <path d={`M${b.x} ${b.y}H${x + 4}M${x} ${view.base}V${b.y}`} strokeWidth="0.9" />
              <path d={`M${x - 3} ${b.y + 9}L${x} ${b.y}L${x + 3} ${b.y + 9}Z`} />
              <text
                x={x - 4}
                y={b.y + 14}
                transform={`rotate(-90 ${x - 4} ${b.y + 14})`}
                textAnchor="end"
                strokeWidth="4"
                stroke="var(--paper)"
                paintOrder="stroke"
              >
                ⌀ {bothSystems(dimension.value)}
              </text>
            </g>
          );
        }
        const y = view.base + 14;
        const x = Math.max((a.x + b.x) / 2, under);
        under = x + 92;
        return (
          <g key={dimension.name}>
            <title>{dimension.label}</title>
            <path
              d={`M${a.x} ${a.y}V${y - 10}M${b.x} ${b.y}V${y - 10}`}
              strokeWidth="0.9"
              strokeDasharray="3 2"
            />
            <path d={`M${a.x} ${y - 11}H${b.x}L${x} ${y - 8}`} fill="none" strokeWidth="1.2" />
            <text x={x} y={y + 4} textAnchor="middle" stroke="none">
              {first(dimension.value).figure} {first(dimension.value).unit}
            </text>
          </g>
        );
      })}
    </g>
  );
}
