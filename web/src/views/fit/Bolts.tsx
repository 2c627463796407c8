import type { FitStep } from "@/api/client";
import type { Say } from "./FitView";

const SIZE = 168;
const MIDDLE = SIZE / 2;
const RADIUS = 62;

/** The bolts of a joint on their circle, the one to do next marked; each is ticked off by one large button. */
export function Bolts({ step, say }: { step: FitStep; say: Say }) {
  const next = step.sequence.find((bolt) => !step.ticked.includes(bolt));
  const last = step.ticked.at(-1);
  const tick = (bolt: number, answer: "done" | "open") =>
    void say({ kind: "bolt", key: `${step.key}:${bolt}`, said: { answer } });
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-2 pt-3" data-testid="bolts">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="size-44"
        role="img"
        aria-label={`${step.ticked.length} of ${step.sequence.length} bolts ticked off`}
      >
        <circle
          cx={MIDDLE}
          cy={MIDDLE}
          r={RADIUS}
          fill="none"
          stroke="var(--line)"
          strokeDasharray="8 3 2 3"
        />
        <path d={`M${MIDDLE} 2v10`} stroke="var(--ink)" strokeWidth="2" />
        {step.sequence.map((bolt) => (
          <Bolt key={bolt} step={step} bolt={bolt} next={bolt === next} />
        ))}
      </svg>
      <div className="grid grow basis-64 gap-2">
        {next === undefined ? (
          <p className="text-field font-bold">Every bolt is ticked off.</p>
        ) : (
          <button type="button" className="button min-h-20 text-state" onClick={() => tick(next, "done")}>
            Bolt {next} is tight
          </button>
        )}
        {last !== undefined && (
          <button
            type="button"
            className="plain-link min-h-11 text-left text-note"
            onClick={() => tick(last, "open")}
          >
            Take back bolt {last}
          </button>
        )}
        <p className="text-note text-soft">
          In the order {step.sequence.join(", ")}. Numbered clockwise from the mark on the part; a line across
          head and part at each, for a mark that points up lies as soon as it turns.
        </p>
      </div>
    </div>
  );
}

function Bolt({ step, bolt, next }: { step: FitStep; bolt: number; next: boolean }) {
  const turn = ((bolt - 1) / step.sequence.length) * 2 * Math.PI;
  const [x, y] = [MIDDLE + RADIUS * Math.sin(turn), MIDDLE - RADIUS * Math.cos(turn)];
  const done = step.ticked.includes(bolt);
  const colour = next ? "var(--now)" : "var(--ink)";
  return (
    <g data-bolt={bolt} data-ticked={done}>
      <circle
        cx={x}
        cy={y}
        r="12"
        fill={done ? "var(--ink)" : next ? "var(--now-wash)" : "var(--sheet)"}
        stroke={colour}
        strokeWidth={next ? 3 : 1.5}
      />
      <text
        x={x}
        y={y + 4.5}
        textAnchor="middle"
        className="font-figure text-[13px] font-bold"
        fill={done ? "var(--sheet)" : colour}
      >
        {bolt}
      </text>
    </g>
  );
}
