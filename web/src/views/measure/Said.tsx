import type { BenchStatement, Check, Measure, OptionOf } from "@/api/client";
import { Refused } from "@/components/Refused";
import { person } from "@/lib/person";
import { useForm } from "@/lib/useForm";
import { moment } from "@/lib/words";
import { useVerdictWords, type Verdict } from "./marks";
import type { Send } from "./send";

/** What somebody said of a check: closed with a reason, or its verdict overruled. By name, and printed. */
export function Said({ bench, check, send }: { bench: Measure; check: Check; send: Send }) {
  const verdictWord = useVerdictWords();
  const told = [
    check.closed && { kind: "check" as const, line: check.closed, words: `“${check.closed.words}”` },
    check.overruled && {
      kind: "verdict" as const,
      line: check.overruled,
      words: `${verdictWord(check.overruled.answer as Verdict)}, not ${verdictWord(check.by_readings).toLowerCase()}`,
    },
  ].filter((each) => each !== null);
  return (
    <div className="mt-2" data-testid="said">
      {told.map(({ kind, line, words }) => (
        <p key={kind} className="border-l-4 border-ink pl-3">
          <b>{words}</b>, says {line.who}: {line.reason}{" "}
          <span className="text-note text-soft">{moment(line.at)}</span>{" "}
          <button
            type="button"
            className="plain-link min-h-6"
            onClick={() => void send({ record: { kind, key: check.name, said: { answer: "open" } } })}
          >
            Take it back
          </button>
        </p>
      ))}
      {check.own && (
        <button
          type="button"
          className="plain-link min-h-11 text-note"
          onClick={() => void send({ record: { kind: "own", key: check.label, said: { answer: "open" } } })}
        >
          Take this check off the job
        </button>
      )}
      <details className="text-note">
        <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
          Close or overrule it …
        </summary>
        <Say verdicts={bench.overrulings} check={check} send={send} />
      </details>
    </div>
  );
}

type SayProps = { verdicts: readonly Verdict[]; check: Check; send: Send };

function Say({ verdicts, check, send }: SayProps) {
  const verdictWord = useVerdictWords();
  const say = ({ answer, reason }: { answer: string; reason: string }) => {
    const closes = answer === "enough" || answer === "not_on_job";
    const statement: BenchStatement = closes
      ? { kind: "check", key: check.name, said: { answer: answer as OptionOf<"check", "answer">, reason } }
      : {
          kind: "verdict",
          key: check.name,
          said: { answer: answer as OptionOf<"verdict", "answer">, reason },
        };
    return send({ record: statement });
  };
  const form = useForm({ answer: "", reason: "" }, say, ["answer"]);
  return (
    <form className="grid gap-2 py-1" onSubmit={form.onSubmit}>
      <select
        aria-label="What is said of it"
        {...form.field("answer")}
        className="h-11 rounded-cut border border-line bg-sheet px-2"
      >
        <option value="">say what …</option>
        {check.finding.taken > 0 && <option value="enough">That will do: no more readings</option>}
        <option value="not_on_job">Not on this job</option>
        {check.finding.taken > 0 &&
          verdicts.map((verdict) => (
            <option key={verdict} value={verdict}>
              Overrule: {verdictWord(verdict).toLowerCase()}
            </option>
          ))}
      </select>
      <input
        aria-label="Why"
        {...form.field("reason")}
        maxLength={400}
        placeholder="why; it is printed with your name"
        className="h-11 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft placeholder:italic"
      />
      <button
        type="submit"
        className="button min-h-11"
        disabled={!form.words.answer || !form.words.reason.trim()}
      >
        Say so{person() ? `, ${person()}` : ""}
      </button>
      <Refused why={form.trouble} />
    </form>
  );
}
