import { Link } from "react-router";
import type { FitStep, Plan } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";
import { addressOf } from "./where";

const MARKS = { good: "✓", bad: "▲", open: "○", overridden: "╱" } as const;

/** What a hold point looks up: no hand ticks it; a bad or missing one is put right, or a named person goes past it. */
export function Lines({ plan, step, say }: { plan: Plan; step: FitStep; say: SayPlan }) {
  return (
    <ul className="pt-3" data-testid="lines">
      {step.lines.map((line) => (
        <Line key={line.key} plan={plan} step={step} line={line} say={say} />
      ))}
    </ul>
  );
}

type Looked = FitStep["lines"][number];

function Line({ plan, step, line, say }: { plan: Plan; step: FitStep; line: Looked; say: SayPlan }) {
  const to = addressOf(plan, line.where);
  const form = useForm({ reason: "" }, ({ reason }) =>
    say({ kind: "hold_line", key: `${step.key}:${line.key}`, said: { answer: "overridden", reason } }),
  );
  const shuts = line.state === "bad" || line.state === "open";
  return (
    <li className="border-b border-hair py-1" data-line={line.key} data-state={line.state}>
      <p className="text-field">
        <span aria-hidden="true" className="inline-block w-6 font-bold">
          {MARKS[line.state]}
        </span>
        <b>{line.label}</b>: {line.says}
        {line.overridden && ` Gone past by ${line.overridden.who}: ${line.overridden.reason}.`}
      </p>
      {shuts && to && (
        <Link to={to} className="button mr-3 inline-flex min-h-11 items-center">
          {line.where.startsWith("measure") && line.state === "open" ? "Read it" : "Go there"}
        </Link>
      )}
      {shuts && (
        <details className="inline-block align-top open:block">
          <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
            Go past this line …
          </summary>
          <form className="flex gap-2" onSubmit={form.onSubmit}>
            <input
              aria-label={`Why, past: ${line.label}`}
              placeholder="why; it is printed with your name"
              maxLength={400}
              {...form.field("reason")}
              className="h-11 min-w-0 grow rounded-cut border border-line bg-sheet px-2"
            />
            <button type="submit" className="button min-h-11" disabled={!form.words.reason.trim()}>
              Go past it
            </button>
          </form>
          <Refused why={form.trouble} />
        </details>
      )}
    </li>
  );
}
