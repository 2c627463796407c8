import { useState } from "react";
import type { FitStep, GaugeEvent, Plan } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { useWrench } from "@/api/fit";
import { Refused } from "@/components/Refused";
import { beep } from "@/lib/beep";
import { useGauge } from "@/lib/useGauge";

const SIZE = 200;
const MIDDLE = SIZE / 2;
const RADIUS = 76;
const WRENCH = "liftbite.wrench";

type Turn = FitStep["turns"][number];

/** The bolts of a joint on their circle, pass after pass, the one to do next marked; ticked off by one large button or by the wrench itself. */
export function Bolts({ plan, step, say }: { plan: Plan; step: FitStep; say: SayPlan }) {
  const [picked, setPicked] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const open = step.turns.filter((turn) => turn.state !== "done");
  const next = open.find((turn) => turn.key === picked) ?? open[0];
  const last = step.turns.filter((turn) => turn.state === "done").at(-1);
  const pass = step.turns.filter((turn) => turn.number === (next ?? last)?.number);
  const ticked = step.turns.length - open.length;
  const tick = (turn: Turn, answer: "done" | "open") => {
    setPicked("");
    void say({ kind: "bolt", key: `${step.key}:${turn.key}`, said: { answer } }).then(setTrouble);
  };
  const wrong = step.turns.filter((turn) => turn.state === "look again");
  return (
    <div className="flex flex-wrap-reverse items-center gap-x-6 gap-y-2 pt-3" data-testid="bolts">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="size-56"
        role="img"
        aria-label={`${ticked} of ${step.turns.length} ticked off`}
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
        {step.passes > 1 && (
          <text
            x={MIDDLE}
            y={MIDDLE + 5}
            textAnchor="middle"
            className="font-figure text-[15px] font-bold"
            fill="var(--ink)"
          >
            {pass[0]?.number} of {step.passes}
          </text>
        )}
        {pass.map((turn) => (
          <Bolt
            key={turn.key}
            turn={turn}
            count={step.sequence.length}
            next={turn.key === next?.key}
            onPick={() => setPicked(turn.key)}
          />
        ))}
      </svg>
      <div className="grid grow basis-64 gap-2">
        {next === undefined ? (
          <p className="text-field font-bold">Every bolt is ticked off.</p>
        ) : (
          <button type="button" className="button min-h-20 text-state" onClick={() => tick(next, "done")}>
            {next.to ? `Bolt ${next.bolt}: ${next.to}` : `Bolt ${next.bolt} is tight`}
          </button>
        )}
        {last !== undefined && (
          <button
            type="button"
            className="plain-link min-h-11 text-left text-note"
            onClick={() => tick(last, "open")}
          >
            Take back bolt {last.bolt}
            {step.passes > 1 && `, pass ${last.number}`}
          </button>
        )}
        {wrong.map((turn) => (
          <p key={turn.key} className="font-semibold" data-testid="look-again">
            ▲ Bolt {turn.bolt}
            {step.passes > 1 && `, pass ${turn.number}`}: {turn.says}. It is still open.
          </p>
        ))}
        {plan.wrenches.length > 0 && open.length > 0 && (
          <Wrench plan={plan} step={step} turn={picked} onTaken={() => setPicked("")} />
        )}
        <Refused why={trouble} />
        <p className="text-note text-soft">
          In the order {step.sequence.join(", ")}. Numbered clockwise from the mark on the part. Draw a line
          across head and part at each: a mark “up” is lost when one turns.
        </p>
      </div>
    </div>
  );
}

/** A wrench with a data port: what it sends goes to the bolt that is next. */
function Wrench({
  plan,
  step,
  turn,
  onTaken,
}: {
  plan: Plan;
  step: FitStep;
  turn: string;
  onTaken: () => void;
}) {
  const [held, setHeld] = useState(sessionStorage.getItem(WRENCH) ?? "");
  const instrument = plan.wrenches.some(({ name }) => name === held) ? held : "";
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = useWrench(plan.job);
  const state = useGauge(instrument, async (event: GaugeEvent) => {
    const refused = await take({ step: step.key, instrument, events: [event.number], turn, who: "" });
    beep(refused === null);
    setTrouble(refused);
    onTaken();
  });
  return (
    <div>
      <label className="flex items-center gap-2 text-note">
        <span className="font-semibold">With</span>
        <select
          value={instrument}
          onChange={(event) => {
            sessionStorage.setItem(WRENCH, event.target.value);
            setHeld(event.target.value);
          }}
          className="h-11 min-w-0 grow rounded-cut border border-line bg-sheet px-2 text-body"
        >
          <option value="">a wrench without a data port</option>
          {plan.wrenches.map(({ name, label }) => (
            <option key={name} value={name}>
              {label}, data port
            </option>
          ))}
        </select>
      </label>
      {state && (
        <p className="text-note text-soft" role="status">
          {state.connected ? "It ticks bolts off by itself." : state.says}
        </p>
      )}
      <Refused why={trouble} />
    </div>
  );
}

type BoltProps = { turn: Turn; count: number; next: boolean; onPick: () => void };

function Bolt({ turn, count, next, onPick }: BoltProps) {
  const at = ((turn.bolt - 1) / count) * 2 * Math.PI;
  const [x, y] = [MIDDLE + RADIUS * Math.sin(at), MIDDLE - RADIUS * Math.cos(at)];
  const done = turn.state === "done";
  const colour = next ? "var(--now)" : "var(--ink)";
  const size = count > 16 ? 8 : 14;
  return (
    // the dial is for the eye; the button beside it is what a hand or a keyboard uses
    <g
      data-bolt={turn.bolt}
      data-ticked={done}
      onPointerDown={done ? undefined : onPick}
      className={done ? "" : "cursor-pointer"}
    >
      <circle
        cx={x}
        cy={y}
        r={size}
        fill={done ? "var(--ink)" : next ? "var(--now-wash)" : "var(--sheet)"}
        stroke={colour}
        strokeWidth={next ? 3 : 1.5}
      />
      {turn.state === "look again" && (
        <path d={`M${x - size} ${y + size}L${x + size} ${y - size}`} stroke={colour} strokeWidth="2" />
      )}
      <text
        x={x}
        y={y + size * 0.36}
        textAnchor="middle"
        className="font-figure font-bold"
        fontSize={size * 1.05}
        fill={done ? "var(--sheet)" : colour}
      >
        {turn.bolt}
      </text>
    </g>
  );
}
