import type { Section } from "@/api/client";
import { at, type Place } from "@/lib/motion";
import { writing } from "@/lib/units";

const BLOCK = 15;
const SIDE = 34;
const HEIGHT = 30;
/** Least room for the gaps, and what is said of them takes [px]. */
const LEAST = 40;
const SAYS = 170;

/** The gaps at the faces, enlarged; the plates between them are drawn shortened, and the sheet says so. */
export function GapStrip({ section, place, width }: { section: Section; place: Place; width: number }) {
  const faces = section.gaps.map((grid) => at(grid, place));
  if (faces.length === 0) return null;
  const most = section.gaps.reduce(
    (sum, grid) => sum + Math.max(0, ...grid.map((row) => row[row.length - 1] ?? 0)),
    0,
  );
  const { write, factor } = writing(section.inch);
  // what is said stands beside the strip, and under it where there is no room
  const plates = 2 * SIDE + (faces.length - 1) * BLOCK;
  const beside = width >= plates + LEAST + SAYS;
  const room = Math.max(width - plates - (beside ? SAYS : 4), LEAST);
  const scale = most > 0 ? stepBelow(room / most) : 50;
  let x = 1;
  const blocks = faces.map((gap, i) => {
    const wide = i === 0 ? SIDE : BLOCK;
    const start = x;
    x += wide + gap * scale;
    return { start, wide, gap, face: i };
  });
  const least = Math.min(...faces);
  const says = beside ? { x: x + SIDE + 10, y: 14 } : { x: 1, y: HEIGHT + 32 };
  return (
    <svg
      width={width}
      height={HEIGHT + (beside ? 20 : 52)}
      role="img"
      aria-label={`Gaps at the faces: ${faces.map((gap) => write("length", gap, 2)).join(", ")}`}
      data-testid="gaps"
    >
      {blocks.map(({ start, wide, gap, face }) => (
        <g key={face} data-face={face + 1} data-gap={gap.toFixed(4)}>
          <Block x={start} wide={wide} odd={face % 2 === 1} />
          <rect
            x={start + wide}
            y={3}
            width={gap * scale}
            height={HEIGHT - 6}
            fill="var(--now-wash)"
            stroke="none"
            data-drawn={(gap * scale).toFixed(3)}
            data-scale={scale}
          />
          {faces.length <= 6 && gap * scale > 26 && (
            <text
              x={start + wide + (gap * scale) / 2}
              y={HEIGHT + 15}
              textAnchor="middle"
              className="font-figure text-[12px]"
              fill={gap > 0 ? "var(--now)" : "var(--soft)"}
            >
              {(gap * factor("length")).toFixed(factor("length") === 1 ? 2 : 3)}
            </text>
          )}
        </g>
      ))}
      <Block x={x} wide={SIDE} odd={false} />
      <text x={says.x} y={says.y} className="text-[12px]" fill="var(--ink)">
        gap per face {faces.length > 4 || least !== Math.max(...faces) ? "from " : ""}
        <tspan className="font-figure font-bold">{write("length", least, 2)}</tspan>
      </text>
      <text x={says.x} y={says.y + 16} className="text-[12px]" fill="var(--soft)">
        {Math.max(1, Math.round(scale / 3.78))} : 1, plates shortened
      </text>
    </svg>
  );
}

/** The next round scale below a value. */
function stepBelow(value: number): number {
  const ten = 10 ** Math.floor(Math.log10(value));
  return (value >= 5 * ten ? 5 : value >= 2 * ten ? 2 : 1) * ten;
}

function Block({ x, wide, odd }: { x: number; wide: number; odd: boolean }) {
  const lines: string[] = [];
  for (let y = -wide; y < HEIGHT; y += 5) {
    const from = Math.max(y, 0);
    const to = Math.min(y + wide, HEIGHT);
    if (to <= from) continue;
    lines.push(`M${x + from - y} ${odd ? HEIGHT - from : from}L${x + to - y} ${odd ? HEIGHT - to : to}`);
  }
  return (
    <g stroke="var(--ink)" fill="none">
      <rect x={x} y="0.500" width={wide} height={HEIGHT - 1} strokeWidth="1.3" />
      <path d={lines.join("")} strokeWidth="0.8" />
    </g>
  );
}
