import type { Figure as FigureData } from "@/api/client";
import { first, second } from "@/lib/units";

/** One value in one system: the figure large, the unit small. */
function One({ figure, unit }: FigureData["metric"]) {
  return (
    <span className="whitespace-nowrap">
      <span className="figure">{figure}</span>
      {unit && <span className="text-[0.8em] text-soft">{`\u00a0${unit}`}</span>}
    </span>
  );
}

/** A value in the units the shop prefers: in both systems, once where they are the same, or in one. */
export function Figure({ value }: { value: FigureData }) {
  const other = second(value);
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-2">
      <One {...first(value)} />{" "}
      {other && (
        <span className="text-[0.86em] text-soft">
          <One {...other} />
        </span>
      )}
    </span>
  );
}
