import type { FitStep, WordsOf } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";

type Answer = WordsOf<"not_here">["answer"];
const ANSWERS: [Answer, string][] = [
  ["none", "There is none"],
  ["stays_on", "It stays on"],
  ["found_done", "Found done"],
  ["elsewhere", "Done elsewhere"],
];

/** That a step is not on this job: four answers, each under a name; what carries or guards wants a reason. */
export function NotHere({ step, say }: { step: FitStep; say: SayPlan }) {
  const form = useForm({ reason: "", bolted_to: "" }, () => Promise.resolve(null), ["reason", "bolted_to"]);
  const settle = (answer: Answer) => {
    const said: WordsOf<"not_here"> = { answer };
    const { reason, bolted_to } = form.words;
    if (reason.trim()) said.reason = reason.trim();
    if (answer === "stays_on" && bolted_to.trim()) said.bolted_to = bolted_to.trim();
    void form.tell(say({ kind: "not_here", key: step.key, said }));
  };
  const box = "h-11 w-full rounded-cut border border-line bg-sheet px-2";
  return (
    <details className="pt-2" data-testid="not-here">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
        Not on this job …
      </summary>
      <div className="grid gap-2">
        <input
          aria-label="Why it is not on this job"
          placeholder={step.guards ? "why: it carries or guards" : "why, where it matters"}
          maxLength={400}
          {...form.field("reason")}
          className={box}
        />
        {step.bolted_to && (
          <input
            aria-label="Bolted to what that stays"
            placeholder="where it stays on: bolted to what that stays?"
            maxLength={400}
            {...form.field("bolted_to")}
            className={box}
          />
        )}
        <p className="flex flex-wrap gap-2">
          {ANSWERS.map(([answer, label]) => (
            <button
              key={answer}
              type="button"
              className="button min-h-12 grow basis-36"
              onClick={() => settle(answer)}
            >
              {label}
            </button>
          ))}
        </p>
        <Refused why={form.trouble} />
      </div>
    </details>
  );
}
