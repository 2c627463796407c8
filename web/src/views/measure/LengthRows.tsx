import { useRef } from "react";
import { useWidth } from "@/lib/useWidth";
import { bothSystems, rangeOf } from "@/lib/words";
import type { Ruler } from "./LengthRuler";

const ROW = 46;

/** A row a length: as measured (hollow), with the pieces named (filled), and the band it belongs into. */
export function LengthRows({ ruler }: { ruler: Ruler }) {
  const frame = useRef<HTMLDivElement>(null);
  const width = Math.max(useWidth(frame, 380), 240);
  const x = (share: number) => 8 + share * (width - 16);
  const height = 18 + ruler.moves.length * ROW;
  return (
    <div ref={frame}>
      <svg width={width} height={height} role="img" aria-label={ruler.about}>
        {ruler.bands.map((band) => (
          <g key={band.label}>
            <rect
              x={x(band.start)}
              y={16}
              width={x(band.end) - x(band.start)}
              height={height - 18}
              fill="var(--now-wash)"
              stroke="var(--now)"
            />
            <text
              x={x(band.end)}
              y={11}
              textAnchor={band.end > 0.6 ? "end" : "start"}
              className="text-[12px]"
              fill="var(--ink)"
            >
              {rangeOf(band.low, band.high)}
            </text>
          </g>
        ))}
        {ruler.moves.map((move, i) => {
          const y = 44 + i * ROW;
          const [from, to] = [x(move.before_at), x(move.after_at)];
          return (
            <g key={move.label} data-row={i + 1}>
              <path d={`M${x(0)} ${y}H${width - 8}`} stroke="var(--line)" />
              <path d={`M${from} ${y}H${to}`} stroke="var(--ink)" strokeWidth="2" />
              <circle cx={from} cy={y} r="4.5" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.5" />
              <rect x={to - 3} y={y - 9} width="6" height="18" fill="var(--ink)" />
              <text x={x(0)} y={y - 12} className="text-[13px] font-semibold" fill="var(--ink)">
                {move.label}, {bothSystems(move.after)}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
