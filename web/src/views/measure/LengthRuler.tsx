import { useRef } from "react";
import type { Calculation } from "@/api/client";
import { useWidth } from "@/lib/useWidth";

export type Ruler = Extract<Calculation["shows"][number], { kind: "ruler" }>;

/** Where a length should lie and where it does: bands above the line, one below the other, marks under it. */
export function LengthRuler({ ruler }: { ruler: Ruler }) {
  const frame = useRef<HTMLDivElement>(null);
  const width = Math.max(useWidth(frame, 380), 240);
  const x = (share: number) => 8 + share * (width - 16);
  const line = 18 + ruler.bands.length * 22;
  const marksAt = line + 12;
  return (
    <div ref={frame} className="mt-2">
      <svg
        width={width}
        height={marksAt + 26 + ruler.marks.length * 14}
        role="img"
        aria-label={`${ruler.about} on a ruler`}
      >
        <path d={`M${x(0)} ${line}H${width - 8}`} stroke="var(--ink)" strokeWidth="1.5" />
        <path d={`M${x(0)} ${line - 32}V${marksAt}`} stroke="var(--ink)" strokeWidth="4" />
        {ruler.zero && (
          <text x={x(0) + 6} y={marksAt + 10} className="text-[12px]" fill="var(--soft)">
            {ruler.zero}
          </text>
        )}
        {ruler.bands.map((band, i) => {
          const [from, to, y] = [x(band.start), x(band.end), 12 + i * 22];
          const beside = to - from < 130;
          return (
            <g key={band.label} data-band={band.label}>
              <rect
                x={from}
                y={y - 8}
                width={to - from}
                height={16}
                fill={band.leading ? "var(--now-wash)" : "none"}
                stroke={band.leading ? "var(--now)" : "var(--line)"}
              />
              <text x={beside ? to + 6 : from + 4} y={y + 4} className="text-[12px]" fill="var(--ink)">
                {band.label}
              </text>
            </g>
          );
        })}
        {ruler.marks.map((mark, i) => (
          <g key={mark.label} data-mark={mark.label}>
            <path
              d={`M${x(mark.at)} ${line - 12}V${marksAt}`}
              stroke={mark.leading ? "var(--now)" : "var(--ink)"}
              strokeWidth={mark.leading ? 5 : 2}
            />
            <text
              x={x(mark.at)}
              y={marksAt + 24 + i * 14}
              textAnchor={mark.at > 0.7 ? "end" : mark.at < 0.15 ? "start" : "middle"}
              className="text-[12px]"
              fill="var(--ink)"
            >
              {mark.label}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
