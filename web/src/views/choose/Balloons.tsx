import type { KeyboardEvent } from "react";
import type { Section } from "@/api/client";
import type { View } from "@/lib/motion";
import { onSheet } from "@/lib/outline";

/** Numbers with leaders to the parts, in the order they stand along the shaft. */
export function Balloons({
  section,
  moved,
  view,
  part,
  onPart,
}: {
  section: Section;
  moved: number[];
  view: View;
  part: string | null;
  onPart: (part: string) => void;
}) {
  const anchors = section.parts.flatMap(({ name, label }, i) => {
    const mine = section.clutch.filter((o) => o.part === name);
    if (mine.length === 0) return [];
    const tops = mine.map((o) => {
      const all = onSheet(o.points, moved, view);
      const y = Math.min(...all.map((p) => p.y));
      const edge = all.filter((p) => p.y < y + 3).map((p) => p.x);
      const [left, right] = [Math.min(...edge), Math.max(...edge)];
      // a long part is pointed at near its free end, so that leaders do not cross the rest
      return { x: left + (right - left) * (right - left > 160 ? 0.9 : 0.5), y: y + 4 };
    });
    const at = tops.reduce((best, top) => (top.y < best.y ? top : best));
    return [{ name, label, number: i + 1, ...at }];
  });
  const sorted = [...anchors].sort((a, b) => a.x - b.x);
  let last = 2;
  return (
    <g className="font-figure text-[12px]">
      {sorted.map((anchor) => {
        const x = Math.max(anchor.x, last + 26);
        last = x;
        const chosen = anchor.name === part;
        const pick = () => onPart(anchor.name);
        return (
          <g
            key={anchor.name}
            role="button"
            tabIndex={0}
            aria-pressed={chosen}
            aria-label={`${anchor.number} ${anchor.label}`}
            onClick={pick}
            onKeyDown={(event: KeyboardEvent) => {
              if (event.key !== "Enter" && event.key !== " ") return;
              event.preventDefault();
              pick();
            }}
            className="cursor-pointer"
          >
            <path
              d={`M${x} 25L${anchor.x} ${anchor.y}`}
              stroke={chosen ? "var(--now)" : "var(--line)"}
              strokeWidth={chosen ? 1.6 : 1}
            />
            <circle cx={anchor.x} cy={anchor.y} r="2" fill={chosen ? "var(--now)" : "var(--ink)"} />
            <circle
              cx={x}
              cy="14"
              r="11.500"
              fill={chosen ? "var(--now)" : "var(--sheet)"}
              stroke={chosen ? "var(--now)" : "var(--ink)"}
            />
            <text x={x} y="18.500" textAnchor="middle" fill={chosen ? "var(--sheet)" : "var(--ink)"}>
              {anchor.number}
            </text>
          </g>
        );
      })}
    </g>
  );
}
