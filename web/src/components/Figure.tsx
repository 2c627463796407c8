import type { Figure as FigureData } from "@/api/client";

/** One value in one system: the figure large, the unit small. */
function One({ figure, unit }: FigureData["metric"]) {
  return (
    <span className="whitespace-nowrap">
      <span className="figure">{figure}</span>
      {unit && <span className="text-[0.8em] text-soft">{`\u00a0${unit}`}</span>}
    </span>
  );
}

/** A value in both systems; once where they are the same. */
export function Figure({ value }: { value: FigureData }) {
  const same = value.metric.figure === value.inch.figure && value.metric.unit === value.inch.unit;
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-2">
      <One {...value.metric} />{" "}
      {!same && (
        <span className="text-[0.86em] text-soft">
          <One {...value.inch} />
        </span>
      )}
    </span>
  );
}
