import { useEffect, useRef } from "react";
import type { FitStep, Plan } from "@/api/client";

const WORDS: Record<FitStep["state"], string> = {
  done: "done",
  overridden: "overridden",
  open: "open",
  waits: "waits for parts",
  shut: "",
};

/** The order of work as one line from top to bottom, with a mark at each step; a hold point crosses it. */
export function StepLine({ plan, now, onStep }: { plan: Plan; now: string; onStep: (key: string) => void }) {
  let stretch = "";
  return (
    <ol data-testid="steps">
      {plan.steps.map((step) => {
        const heads = step.stretch !== stretch;
        stretch = step.stretch;
        return (
          <li key={step.key}>
            {heads && <p className="lettering pb-0.5 pl-9 pt-2">{step.part}</p>}
            <Line step={step} now={step.key === now} onStep={onStep} />
          </li>
        );
      })}
    </ol>
  );
}

function Line({ step, now, onStep }: { step: FitStep; now: boolean; onStep: (key: string) => void }) {
  const line = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (now && matchMedia("(min-width: 48rem)").matches) line.current?.scrollIntoView({ block: "nearest" });
  }, [now]);
  return (
    <button
      ref={line}
      type="button"
      aria-current={now ? "step" : undefined}
      data-step={step.key}
      data-state={step.state}
      onClick={() => onStep(step.key)}
      className={`grid min-h-11 w-full grid-cols-[2.25rem_1fr] items-stretch text-left leading-tight ${
        now ? "bg-sheet font-bold" : "hover:bg-sheet"
      }`}
    >
      <Mark step={step} now={now} />
      <span className={`self-center py-1 ${step.state === "shut" ? "text-soft" : ""}`}>
        {step.title}
        {(WORDS[step.state] || step.hold) && (
          <span className="block text-note font-normal text-soft">
            {[step.hold ? "hold point" : "", WORDS[step.state]].filter(Boolean).join(", ")}
          </span>
        )}
      </span>
    </button>
  );
}

/** A step on the line: filled when done, ringed when open, a bar across for a hold point. */
function Mark({ step, now }: { step: FitStep; now: boolean }) {
  const done = step.state === "done" || step.state === "overridden";
  const colour = now ? "var(--now)" : "var(--ink)";
  return (
    <span className="relative grid place-items-center before:absolute before:inset-y-0 before:left-1/2 before:w-0.5 before:-translate-x-1/2 before:bg-line">
      <svg viewBox="0 0 36 24" className="relative h-6 w-9" aria-hidden="true" fill="none">
        {step.hold ? (
          <path d="M7 12H29" stroke={colour} strokeWidth={done ? 6 : 4} />
        ) : (
          <circle
            cx="18"
            cy="12"
            r={step.state === "shut" ? 3.5 : 6}
            fill={done ? colour : "var(--sheet)"}
            stroke={step.state === "shut" ? "var(--line)" : colour}
            strokeWidth="2"
            strokeDasharray={step.state === "waits" ? "3 2" : undefined}
          />
        )}
        {step.state === "overridden" && <path d="M10 20L26 4" stroke={colour} strokeWidth="2" />}
      </svg>
    </span>
  );
}
