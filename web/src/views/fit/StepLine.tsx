import { useEffect, useRef, useState } from "react";
import type { FitStep, Plan } from "@/api/client";
import { Refused } from "@/components/Refused";
import { person } from "@/lib/person";

const WORDS: Record<FitStep["state"], string> = {
  done: "done",
  overridden: "overridden",
  open: "open",
  waits: "waits for parts",
  shut: "",
};

/** The order of work as one line from top to bottom, by stretch: what is done folds away, a hold point crosses the line. */
export function StepLine({
  plan,
  now,
  say,
  onStep,
}: {
  plan: Plan;
  now: string;
  say: (keys: string[]) => Promise<string | null>;
  onStep: (key: string) => void;
}) {
  const steps = new Map(plan.steps.map((step) => [step.key, step]));
  return (
    <div data-testid="steps">
      {plan.groups.map((group, place) => (
        <Stretch
          key={`${group.stretch} ${nth(plan.groups, place)}`}
          group={group}
          steps={group.steps.flatMap((key) => steps.get(key) ?? [])}
          now={now}
          say={say}
          onStep={onStep}
        />
      ))}
    </div>
  );
}

/** The how-manieth of its name a stretch is: it stays folded or open whatever order its steps take. */
function nth(groups: Plan["groups"], place: number): number {
  return groups.slice(0, place).filter(({ stretch }) => stretch === groups[place]?.stretch).length;
}

type StretchProps = {
  group: Plan["groups"][number];
  steps: FitStep[];
  now: string;
  say: (keys: string[]) => Promise<string | null>;
  onStep: (key: string) => void;
};

/** The steps of one stretch; open where one stands, where something is open, or where a hand opened it. */
function Stretch({ group, steps, now, say, onStep }: StretchProps) {
  const here = group.steps.includes(now) || steps.some(({ state }) => state === "open" || state === "waits");
  const [opened, setOpened] = useState<boolean | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const open = opened ?? here;
  const me = person();
  const reason = steps.find(({ state, shut }) => state === "shut" && shut);
  return (
    <section>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpened(!open)}
        className="lettering flex min-h-11 w-full items-center justify-between gap-2 border-b border-hair pl-9 pr-1 text-left"
      >
        <span>{group.label}</span>
        <span className="figure whitespace-nowrap font-normal normal-case tracking-normal">
          {group.done} of {steps.length} {open ? "▾" : "▸"}
        </span>
      </button>
      {!open && reason && <p className="pb-1 pl-9 text-note text-soft">{shutWords(reason.shut)}</p>}
      {open && group.in_one_go.length > 1 && (
        <p className="pl-9">
          <button
            type="button"
            className="plain-link min-h-11 text-left text-note"
            onClick={() => void say(group.in_one_go).then(setTrouble)}
          >
            Tick the next {group.in_one_go.length} in one go{me && `, ${me}`}
          </button>
        </p>
      )}
      <Refused why={trouble} className="pl-9" />
      {open && (
        <ol>
          {steps.map((step) => (
            <li key={step.key}>
              <Line step={step} now={step.key === now} onStep={onStep} />
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

const shutWords = (shut: string) => `Shut: ${shut}.`;

function Line({ step, now, onStep }: { step: FitStep; now: boolean; onStep: (key: string) => void }) {
  const line = useRef<HTMLButtonElement>(null);
  const words = [step.hold ? "hold point" : "", step.known || step.settled?.words || WORDS[step.state]]
    .filter(Boolean)
    .join(", ");
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
        {(words || (now && step.shut)) && (
          <span className="block text-note font-normal text-soft">
            {[words, now && step.shut ? shutWords(step.shut) : ""].filter(Boolean).join(". ")}
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
