import type { Launch } from "@/api/client";
import { EndLabel, Plot } from "@/components/Plot";
import { first } from "@/lib/units";

export function RepeatedStarts({ row }: { row: NonNullable<Launch["repeated"]> }) {
  const count = row.begins.length;
  const hot = Math.max(...row.ends);
  const least = Math.min(...row.begins);
  // a limit far above must not squash what happens below it
  const near = row.sustained < hot + 2 * (hot - least) + 60;
  const most = near ? Math.max(hot, row.sustained) * 1.05 : hot + Math.max((hot - least) * 0.4, 4);
  return (
    <figure data-testid="row">
      <figcaption className="border-b border-ink pb-1 text-head font-bold">
        {count} in a row, one every {first(row.interval).figure} {first(row.interval).unit}
      </figcaption>
      <Plot
        label={`Plate temperature over ${count} starts`}
        x={[0, count]}
        y={[Math.floor((least - 1) / 5) * 5, most]}
        xUnit="starts"
        yUnit="°C"
        height={150}
        right={120}
      >
        {(scales) => (
          <>
            {row.begins.map((begins, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: starts are told apart by their order
              <g key={i}>
                <path
                  d={`M${scales.x(i + 0.25)} ${scales.y(begins)}L${scales.x(i + 0.55)} ${scales.y(row.ends[i] ?? begins)}`}
                  stroke="var(--ink)"
                  strokeWidth="3"
                />
                {i < count - 1 && (
                  <path
                    d={`M${scales.x(i + 0.55)} ${scales.y(row.ends[i] ?? 0)}L${scales.x(i + 1.25)} ${scales.y(row.begins[i + 1] ?? 0)}`}
                    stroke="var(--line)"
                  />
                )}
              </g>
            ))}
            {near ? (
              <>
                <path
                  d={`M${scales.x(0)} ${scales.y(row.sustained)}H${scales.x(count)}`}
                  stroke="var(--ink)"
                  strokeDasharray="5 4"
                />
                <EndLabel at={[scales.x(count), scales.y(row.sustained)]}>stands for long</EndLabel>
              </>
            ) : (
              <text x={scales.x(0) + 4} y={14} className="text-[12px]" fill="var(--soft)">
                the facing stands {row.sustained.toFixed(0)} °C for long, far above
              </text>
            )}
            <EndLabel at={[scales.x(count), scales.y(row.ends.at(-1) ?? 0)]}>
              {row.ends.at(-1)?.toFixed(0)} °C
            </EndLabel>
          </>
        )}
      </Plot>
    </figure>
  );
}
