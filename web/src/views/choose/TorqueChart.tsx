import { useId, useRef, useState } from "react";
import type { Chart } from "@/api/client";
import { chartBox, chartScales, curvePath, tick } from "@/lib/chart";
import { useWidth } from "@/lib/useWidth";
import { Held, Slips, SlipTicks } from "./TorqueHeld";
import { Cursor, LineLabels } from "./TorqueLabels";
import { Rulers } from "./TorqueRulers";

/** Engine torque over speed at the crank, with the torque the clutch holds lying across it as a hatched band. */
export function TorqueChart({ chart }: { chart: Chart }) {
  const id = useId();
  const [rpm, setRpm] = useState<number | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const box = chartBox(useWidth(frame, 820));
  const scales = chartScales(chart, box);
  return (
    <div ref={frame}>
      <svg
        viewBox={`0 0 ${box.width} ${box.height}`}
        className="block h-auto w-full select-none"
        role="img"
        aria-label={describe(chart)}
        data-testid="torque-chart"
        onPointerMove={(event) => {
          const sheet = event.currentTarget.getBoundingClientRect();
          const at = scales.x.invert(((event.clientX - sheet.left) / sheet.width) * box.width);
          const [first, last] = scales.x.domain() as [number, number];
          setRpm(at >= first && at <= last ? at : null);
        }}
        onPointerLeave={() => setRpm(null)}
      >
        <defs>
          <pattern
            id={`${id}-band`}
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V7" stroke="var(--line)" strokeWidth="1" />
          </pattern>
          <pattern
            id={`${id}-slip`}
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(-45)"
          >
            <path d="M0 0V5" stroke="var(--ink)" strokeWidth="1.6" />
          </pattern>
          <clipPath id={`${id}-sheet`}>
            <rect
              x={box.left}
              y={box.top}
              width={box.width - box.left - box.right}
              height={box.height - box.top - box.bottom}
            />
          </clipPath>
        </defs>
        <Rulers scales={scales} />
        <g clipPath={`url(#${id}-sheet)`}>
          <Held chart={chart} scales={scales} fill={`url(#${id}-band)`} />
          <Slips chart={chart} scales={scales} fill={`url(#${id}-slip)`} />
          <path
            d={curvePath(chart.now, scales)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={chart.planned ? 1.5 : 3}
          />
          {chart.planned && (
            <path d={curvePath(chart.planned, scales)} fill="none" stroke="var(--ink)" strokeWidth="3" />
          )}
        </g>
        <SlipTicks chart={chart} scales={scales} />
        <LineLabels chart={chart} scales={scales} />
        {rpm !== null && <Cursor chart={chart} scales={scales} rpm={rpm} />}
      </svg>
    </div>
  );
}

function describe(chart: Chart): string {
  const slips = chart.slips.map(({ start: from, end: to }) => `${tick(from)} to ${tick(to)} rpm`).join(", ");
  return `Engine torque over speed. ${slips ? `Slips at nominal friction from ${slips}.` : "No slip at nominal friction."}`;
}
