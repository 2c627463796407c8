import type { Plan } from "@/api/client";
import type { SayPlan } from "@/api/fit";

/** What the plan depends on; an answer that changes makes it anew, and what was done stays done. */
export function Answers({ plan, say }: { plan: Plan; say: SayPlan }) {
  const open = plan.questions.some(({ said }) => !said);
  return (
    <details className="open:basis-full" open={open && plan.done === 0}>
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        What the plan is made from …
      </summary>
      <div className="grid gap-x-5 tablet:grid-cols-2">
        {plan.questions.map(({ name, label, answer, said, options }) => (
          <label key={name} className="py-1">
            <span className="font-semibold">{label}</span>
            {!said && <span className="text-note text-soft"> assumed</span>}
            <select
              value={answer}
              onChange={(event) =>
                void say({ kind: "plan", key: name, said: { answer: event.target.value } })
              }
              className="mt-1 h-11 w-full rounded-cut border border-line bg-sheet px-2"
            >
              {options.map((option) => (
                <option key={option.name} value={option.name}>
                  {option.label}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  );
}
