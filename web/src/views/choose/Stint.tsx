import type { Launch } from "@/api/client";
import { EndLabel, Plot, pathThrough } from "@/components/Plot";

type Schedule = NonNullable<Launch["stint"]>;

/** Height of the chart; names at its right stay above its axis. */
const HEIGHT = 230;
const DASHES = ["", "9 4", "3 3", "12 3 2 3", "1 4"];

/** Every mass of the clutch over a schedule of starts, what the facing stands, and what a builder says of it. */
export function Stint({ schedule }: { schedule: Schedule }) {
  const end = schedule.time.at(-1) ?? 1;
  const every = schedule.masses.flatMap((mass) => mass.temperature);
  const least = Math.min(...every);
  const hot = Math.max(...every, ...schedule.surfaces);
  const limits = [
    { at: schedule.sustained, words: "stands for long" },
    { at: schedule.brief, words: "stands for moments" },
  ].filter((limit) => limit.at < hot + 0.8 * (hot - least) + 20);
  const most = Math.max(hot, ...limits.map((limit) => limit.at)) * 1.05;
  const unit = end > 180 ? { words: "h", per: 60 } : { words: "min", per: 1 };
  const time = schedule.time.map((t) => t / unit.per);
  return (
    <figure data-testid="stint" className="mt-3">
      <figcaption className="border-b border-ink pb-1 text-head font-bold">
        {schedule.begins.length} starts of the schedule
      </figcaption>
      <Plot
        label="Temperature of each mass over the schedule"
        x={[0, end / unit.per]}
        y={[Math.floor((least - 1) / 10) * 10, most]}
        xUnit={unit.words}
        yUnit="°C"
        height={HEIGHT}
        right={150}
      >
        {(scales) => (
          <>
            {schedule.masses.map((mass, i) => (
              <path
                key={mass.name}
                d={pathThrough(time, mass.temperature, scales)}
                fill="none"
                stroke={mass.rubbed ? "var(--ink)" : "var(--soft)"}
                strokeWidth={mass.rubbed ? 2 : 1.2}
                strokeDasharray={DASHES[i % DASHES.length]}
              />
            ))}
            {schedule.begins.map((begin, i) => (
              <path
                key={begin}
                d={`M${scales.x(begin / unit.per) - 3} ${scales.y(schedule.surfaces[i] ?? 0)}h6`}
                stroke="var(--ink)"
                strokeWidth="2"
              />
            ))}
            {limits.map((limit) => (
              <g key={limit.words}>
                <path
                  d={`M${scales.x(0)} ${scales.y(limit.at)}H${scales.x(end / unit.per)}`}
                  stroke="var(--ink)"
                  strokeDasharray="5 4"
                />
                <text
                  x={scales.x(0) + 4}
                  y={scales.y(limit.at) - 4}
                  className="text-[12px]"
                  fill="var(--ink)"
                >
                  {limit.words}
                </text>
              </g>
            ))}
            {apart(schedule, scales.y).map((label) => (
              <EndLabel key={label.name} at={[scales.x(end / unit.per), label.y]}>
                {label.name} {label.at.toFixed(0)}
              </EndLabel>
            ))}
          </>
        )}
      </Plot>
      <ul className="max-w-prose">
        {schedule.sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      <details className="text-note">
        <summary className="min-h-6 cursor-pointer">How it came about</summary>
        {schedule.working.map((line) => (
          <p key={line} className="max-w-prose">
            {line}
          </p>
        ))}
      </details>
      <p className="text-note text-soft">Short strokes: the hottest face in each start.</p>
    </figure>
  );
}

/** The names at the ends of the lines, moved apart where they would touch, as a whole about where they belong. */
function apart(schedule: Schedule, y: (value: number) => number) {
  const labels = schedule.masses
    .map((mass) => ({ name: mass.name, at: mass.temperature.at(-1) ?? 0, y: 0 }))
    .sort((a, b) => a.at - b.at);
  let below = Number.POSITIVE_INFINITY;
  const stacked = labels.map((label) => {
    below = Math.min(y(label.at), below - 15);
    return { ...label, y: below };
  });
  const off = stacked.reduce((sum, label) => sum + y(label.at) - label.y, 0) / Math.max(stacked.length, 1);
  const down = Math.min(off, Math.max(0, HEIGHT - 26 - (stacked[0]?.y ?? 0)));
  return stacked.map((label) => ({ ...label, y: label.y + down }));
}
