import { useEffect, useRef, useState } from "react";
import type { Drive } from "@/api/prove";
import { Plot, type Scales } from "@/components/Plot";

/** Seconds shown around a slip that was picked. */
const AROUND = 12;

/** Engine and wheels over time, parted where it slips; a slip that is picked is drawn large. */
export function DriveChart({ drive, at }: { drive: Drive; at: number | null }) {
  const [whole, setWhole] = useState<number | null>(null);
  const figure = useRef<HTMLElement>(null);
  useEffect(() => {
    if (at !== null) figure.current?.scrollIntoView({ block: "nearest" });
  }, [at]);
  const { time, engine, wheels } = drive.trace;
  const end = time[time.length - 1] ?? 1;
  const near = at !== null && at !== whole;
  const [from, to] = near ? [Math.max(at - AROUND / 2, 0), Math.min(at + AROUND, end)] : [0, end];
  const top = Math.max(...engine, 1000) * 1.05;
  const shown = time.map((value, i) => ({ value, i })).filter(({ value }) => value >= from && value <= to);
  const pathOf = (ys: readonly (number | null)[], { x, y }: Scales) => {
    let pen = "M";
    return shown
      .map(({ value, i }) => {
        const here = ys[i];
        if (here === null || here === undefined) {
          pen = "M";
          return "";
        }
        const step = `${pen}${x(value).toFixed(1)} ${y(here).toFixed(1)}`;
        pen = "L";
        return step;
      })
      .join("");
  };
  return (
    <figure ref={figure} className="py-2">
      <Plot
        label="Engine and wheels over time"
        x={[from, to]}
        y={[0, top]}
        xUnit="s"
        yUnit="rpm"
        height={240}
        right={20}
      >
        {(scales) => (
          <>
            {drive.events
              .filter(
                ({ kind, time: begin, duration }) =>
                  kind === "slip" && begin + duration >= from && begin <= to,
              )
              .map(({ time: begin, duration }) => (
                <rect
                  key={begin}
                  x={scales.x(Math.max(begin, from))}
                  width={Math.max(
                    scales.x(Math.min(begin + duration, to)) - scales.x(Math.max(begin, from)),
                    2,
                  )}
                  y={scales.y(top)}
                  height={scales.y(0) - scales.y(top)}
                  fill="var(--now)"
                  opacity={0.22}
                />
              ))}
            <path
              d={pathOf(wheels, scales)}
              fill="none"
              stroke="var(--soft)"
              strokeWidth={1}
              strokeDasharray="5 3"
            />
            <path d={pathOf(engine, scales)} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
          </>
        )}
      </Plot>
      <figcaption className="text-note text-soft">
        Solid: engine. Dashed: what the wheels say in the gear it is in. Shaded: slip.{" "}
        {near && (
          <button type="button" className="plain-link min-h-6" onClick={() => setWhole(at)}>
            The whole drive
          </button>
        )}
      </figcaption>
    </figure>
  );
}
