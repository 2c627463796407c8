import type { Plan, WordsOf } from "@/api/client";
import type { PlanChange, SayPlan } from "@/api/fit";
import { Refused } from "@/components/Refused";
import { SaveLink } from "@/components/SaveLink";
import { useForm } from "@/lib/useForm";

const KINDS = [
  {
    kind: "bag",
    label: "Bag",
    of: "Assembly",
    words: "Bolts, washers and shims, in the order they came off",
  },
  { kind: "mark", label: "Mark", of: "Pair", words: "Which halves, which face, how marked" },
  { kind: "noted", label: "Noted", of: "Part", words: "What was agreed, and by whose word" },
  { kind: "leftover", label: "Left over", of: "What", words: "Where it belongs; nothing while nobody knows" },
] as const;

type Kind = (typeof KINDS)[number]["kind"];
const labelOf = (kind: string) => KINDS.find((each) => each.kind === kind)?.label ?? "";

/** Bags by number, marks on pairs, and what was left over: the job is not handed over while that is unexplained. */
export function Bags({ job, plan, say }: { job: number; plan: Plan; say: SayPlan }) {
  const begins = { kind: "bag" as Kind, of: "", so: plan.offered.noted[0]?.name ?? "", words: "" };
  const statement = ({ kind, of, so, words }: typeof begins): PlanChange => {
    if (kind === "bag") return { kind, key: of, said: { answer: "filled", holds: words } };
    if (kind === "mark") return { kind, key: of, said: { answer: "made", note: words } };
    if (kind === "noted")
      return { kind, key: of, said: { answer: so as WordsOf<"noted">["answer"], note: words } };
    const said: WordsOf<"leftover"> = words.trim()
      ? { answer: "explained", reason: words }
      : { answer: "unexplained" };
    return { kind, key: of, said };
  };
  const form = useForm(begins, (typed) => say(statement(typed)), ["kind", "so"]);
  const { kind, of } = form.words;
  const asked = KINDS.find((each) => each.kind === kind) ?? KINDS[0];
  const look = "h-11 rounded-cut border border-line bg-sheet px-2";
  return (
    <details className="open:basis-full" open={plan.kept.some(({ open }) => open)} data-testid="bags">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        Bags, marks and what is left over{plan.kept.length > 0 && `: ${plan.kept.length}`} …
      </summary>
      {plan.kept.map((each) => (
        <p
          key={`${each.kind} ${each.key}`}
          className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-1"
        >
          <span className="grow">
            {each.open && "▲ "}
            <b>
              {each.kind === "bag" ? `Bag ${each.number}: ` : `${labelOf(each.kind)}: `}
              {each.label}
            </b>{" "}
            {each.words || (each.open && "unexplained")}{" "}
            <span className="text-note text-soft">{each.who}</span>
          </span>
          <button
            type="button"
            className="plain-link min-h-11 text-note"
            onClick={() => void form.tell(say({ kind: each.kind, key: each.key, said: { answer: "open" } }))}
          >
            Take back
          </button>
        </p>
      ))}
      <form className="flex flex-wrap gap-2 py-2" onSubmit={form.onSubmit}>
        <select aria-label="Bag, mark, noted or left over" className={look} {...form.field("kind")}>
          {KINDS.map((each) => (
            <option key={each.kind} value={each.kind}>
              {each.label}
            </option>
          ))}
        </select>
        <input
          aria-label={asked.of}
          placeholder={asked.of}
          className={`${look} w-40`}
          maxLength={100}
          {...form.field("of")}
        />
        {kind === "noted" && (
          <select aria-label="What is so" className={look} {...form.field("so")}>
            {plan.offered.noted.map(({ name, label }) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </select>
        )}
        <input
          aria-label={asked.words}
          placeholder={asked.words}
          className={`${look} min-w-40 grow`}
          maxLength={300}
          {...form.field("words")}
        />
        <button type="submit" className="button min-h-11" disabled={!of.trim()}>
          Keep it
        </button>
      </form>
      <Refused why={form.trouble} />
      {plan.kept.some((each) => each.kind === "bag") && (
        <SaveLink className="button inline-flex min-h-11 items-center" address={`/api/jobs/${job}/bags.pdf`}>
          Labels for the bags (PDF)
        </SaveLink>
      )}
    </details>
  );
}
