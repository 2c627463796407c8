import { scaleLinear } from "d3-scale";
import { Slider } from "radix-ui";
import { useRef } from "react";
import type { Candidate } from "@/api/client";
import { type Objective, pinOf, type Ranges, reachOf } from "@/lib/finder";
import { digits } from "@/lib/motion";
import { useWidth } from "@/lib/useWidth";

type Props = {
  candidates: Candidate[];
  shown: Candidate[];
  objectives: Objective[];
  ranges: Ranges;
  pins: readonly string[];
  onRange: (name: string, range: [number, number] | null) => void;
};

const HEIGHT = 190;
const TOP = 12;

/** Trade-offs as rulers side by side, the better end of each at the top; every line is a candidate. A ruler's two
 *  stops narrow down what is shown. */
export function Rulers({ candidates, shown, objectives, ranges, pins, onRange }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const width = useWidth(frame, 840);
  const step = width / Math.max(objectives.length, 1);
  const axes = objectives.map((objective, i) => {
    const reach = reachOf(candidates, objective.name);
    const [low, high] = reach;
    const scale = scaleLinear(objective.more ? [low, high] : [high, low], [HEIGHT - TOP, TOP]);
    return { objective, reach, scale, x: step * (i + 0.5) };
  });
  const line = (candidate: Candidate) =>
    `M${axes
      .map(
        ({ objective, scale, x }) =>
          `${x.toFixed(1)} ${scale(candidate.objectives[objective.name] ?? 0).toFixed(1)}`,
      )
      .join("L")}`;
  const kept = new Set(shown.map(pinOf));
  return (
    <div ref={frame} className="relative" data-testid="rulers">
      <div className="flex text-center text-note">
        {axes.map(({ objective, reach }) => (
          <div key={objective.name} style={{ width: step }} className="leading-tight">
            <p className="font-bold">{objective.label}</p>
            <p className="figure text-soft">
              {digits(objective.more ? reach[1] : reach[0])} {objective.unit}
            </p>
          </div>
        ))}
      </div>
      <div className="relative" style={{ height: HEIGHT }}>
        <svg width={width} height={HEIGHT} className="absolute inset-0" aria-hidden="true">
          {candidates.map((candidate) => {
            const pin = pinOf(candidate);
            const pinned = pins.includes(pin);
            return (
              <path
                key={pin}
                d={line(candidate)}
                fill="none"
                stroke={pinned ? "var(--now)" : kept.has(pin) ? "var(--ink)" : "var(--hair)"}
                strokeWidth={pinned ? 2.6 : kept.has(pin) ? 0.9 : 0.6}
                strokeOpacity={pinned ? 1 : kept.has(pin) ? 0.6 : 0.5}
              />
            );
          })}
          {axes.map(({ objective, x }) => (
            <path
              key={objective.name}
              d={`M${x} ${TOP}V${HEIGHT - TOP}`}
              stroke="var(--ink)"
              strokeWidth="1.6"
            />
          ))}
        </svg>
        {axes.map(({ objective, reach, x }) => {
          const [low, high] = ranges[objective.name] ?? reach;
          return (
            <Slider.Root
              key={objective.name}
              orientation="vertical"
              inverted={!objective.more}
              min={reach[0]}
              max={reach[1]}
              step={(reach[1] - reach[0]) / 100}
              value={[low, high]}
              onValueChange={([a, b]) =>
                onRange(
                  objective.name,
                  (a ?? reach[0]) <= reach[0] + 1e-9 && (b ?? reach[1]) >= reach[1] - 1e-9
                    ? null
                    : [a ?? reach[0], b ?? reach[1]],
                )
              }
              className="absolute top-0 flex w-8 touch-none justify-center"
              style={{ left: x - 16, height: HEIGHT }}
            >
              <Slider.Track className="relative w-1 grow bg-transparent">
                <Slider.Range
                  className={`absolute w-full bg-now ${ranges[objective.name] ? "opacity-60" : "opacity-0"}`}
                />
              </Slider.Track>
              {["from", "to"].map((end, i) => (
                <Slider.Thumb
                  key={end}
                  aria-label={`${objective.label} ${end}`}
                  aria-valuetext={`${digits(i === 0 ? low : high)} ${objective.unit}`}
                  className="block h-3 w-7 rounded-cut border-2 border-now bg-sheet"
                />
              ))}
            </Slider.Root>
          );
        })}
      </div>
      <div className="flex text-center text-note">
        {axes.map(({ objective, reach }) => (
          <p key={objective.name} style={{ width: step }} className="figure text-soft">
            {digits(objective.more ? reach[0] : reach[1])} {objective.unit}
          </p>
        ))}
      </div>
    </div>
  );
}
