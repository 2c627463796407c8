import { useState } from "react";
import type { Plan } from "@/api/client";
import type { PlanChange } from "@/api/fit";
import { useFromPaper } from "@/api/fit";
import { Labelled } from "@/components/Labelled";

/** A filled step list typed back in one go: what is ticked on paper is ticked here, all of it kept or none. */
export function FromPaper({ plan }: { plan: Plan }) {
  const [done, setDone] = useState<Record<string, boolean>>({});
  const [words, setWords] = useState<Record<string, string>>({});
  const [who, setWho] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = useFromPaper(plan.job);
  const open = plan.steps.filter(({ state }) => state !== "done" && state !== "overridden");
  const ticked = open.filter(({ key }) => done[key]);
  const keep = async () => {
    const lines = ticked.flatMap((step) => [
      ...step.turns
        .filter(({ state }) => state !== "done")
        .map(
          ({ key }): PlanChange => ({ kind: "bolt", key: `${step.key}:${key}`, said: { answer: "done" } }),
        ),
      {
        kind: "step",
        key: step.key,
        said: { answer: "done", text: words[step.key] ?? "" },
      } satisfies PlanChange,
    ]);
    const refused = await send({
      lines: lines.map((line) => ({ ...line, who: "", request: "" })),
      who: who.trim(),
    });
    setTrouble(refused);
    if (refused !== null) return;
    setDone({});
    setWords({});
  };
  return (
    <details className="open:basis-full" data-testid="from-paper">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        Type a filled paper back …
      </summary>
      <Labelled label="Whose hand it is" value={who} maxLength={60} onText={setWho} />
      <table className="mt-2 w-full">
        <tbody>
          {open.map((step) => (
            <tr key={step.key} className="border-b border-hair">
              <td>
                <label className="flex min-h-11 items-center gap-3 py-1 leading-tight">
                  <input
                    type="checkbox"
                    className="size-6 shrink-0"
                    disabled={step.asked !== ""}
                    checked={done[step.key] ?? false}
                    onChange={(event) => setDone({ ...done, [step.key]: event.target.checked })}
                  />
                  <span>
                    {step.hold && <b>Hold: </b>}
                    {step.title}
                    {step.asked && <span className="block text-note text-soft">Said {step.asked}</span>}
                    {step.turns.length > 0 && (
                      <span className="text-soft">, all {step.sequence.length} bolts</span>
                    )}
                  </span>
                </label>
              </td>
              <td className="w-2/5">
                {!step.asked && (step.evidence !== "tick" || done[step.key]) && (
                  <input
                    aria-label={`Written at ${step.title}`}
                    value={words[step.key] ?? ""}
                    maxLength={400}
                    placeholder={step.evidence === "reading" ? "reading" : "words"}
                    onChange={(event) => setWords({ ...words, [step.key]: event.target.value })}
                    className="h-11 w-full rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {trouble && (
        <p role="alert" className="py-2 font-semibold">
          ▲ {trouble} Nothing of the paper was kept.
        </p>
      )}
      <button
        type="button"
        className="button mt-2 min-h-12"
        disabled={ticked.length === 0}
        onClick={() => void keep()}
      >
        Keep {ticked.length === 1 ? "the step" : `${ticked.length} steps`}
      </button>
    </details>
  );
}
