import { useRef } from "react";
import type { Check } from "@/api/client";
import { useWidth } from "@/lib/useWidth";
import { bothSystems } from "@/lib/words";

const WORDS = { new: "new", least: "at least", most: "at most", spread: "spread" } as const;
const [LEFT, RIGHT, HEIGHT] = [10, 10, 84];

/** Readings on a ruler with their limits; the hatched stretch is too close to call. */
export function Ruler({ check }: { check: Check }) {
  const frame = useRef<HTMLDivElement>(null);
  const width = Math.max(useWidth(frame, 360), 240);
  const ruler = check.ruler;
  if (!ruler) return null;
  const x = (share: number) => LEFT + share * (width - LEFT - RIGHT);
  const limit = (name: string) => check.limits.find((each) => each.name === name)?.value;
  return (
    <div ref={frame} className="w-full" data-testid="ruler">
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={`${ruler.readings.length} readings from ${bothSystems(ruler.low)} to ${bothSystems(ruler.high)}`}
      >
        <defs>
          <pattern
            id="close"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V6" stroke="var(--line)" strokeWidth="2" />
          </pattern>
        </defs>
        {ruler.close.map(({ start, end }) => (
          <rect
            key={start}
            x={x(start)}
            y={24}
            width={Math.max(x(end) - x(start), 1)}
            height={26}
            fill="url(#close)"
          />
        ))}
        <path d={`M${LEFT} 50H${width - RIGHT}`} stroke="var(--ink)" strokeWidth="1.5" />
        {ruler.limits.map(({ name, start: share }, i) => {
          const value = limit(name);
          const end = share > 0.6;
          return (
            <g key={name}>
              <path
                d={`M${x(share)} 20V56`}
                stroke="var(--ink)"
                strokeWidth={name === "new" ? 1 : 2.5}
                strokeDasharray={name === "new" ? "3 3" : undefined}
              />
              <text
                x={x(share)}
                y={i % 2 ? 78 : 14}
                textAnchor={end ? "end" : share < 0.15 ? "start" : "middle"}
                className="text-[13px]"
                fill="var(--ink)"
              >
                {WORDS[name as keyof typeof WORDS]} {value ? bothSystems(value) : ""}
              </text>
            </g>
          );
        })}
        {ruler.readings.map((share, i) => (
          <path
            // biome-ignore lint/suspicious/noArrayIndexKey: readings are an append-only list
            key={i}
            d={`M${x(share)} 28V50`}
            stroke="var(--now)"
            strokeWidth={i === ruler.readings.length - 1 ? 4 : 2}
          />
        ))}
      </svg>
    </div>
  );
}
