import type { Measure, OptionOf, WordsOf } from "@/api/client";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";
import { moment } from "@/lib/words";
import type { Send } from "./send";

type Need = Measure["needs"][number];
type States = Measure["order_states"];
const FIELDS = [
  { name: "number", label: "Part number" },
  { name: "source", label: "From" },
  { name: "price", label: "Price" },
  { name: "currency", label: "Currency" },
] as const;

/** A line of the list: struck with a reason, or ordered, awaited, arrived. */
export function OnTheList({ need, states, send }: { need: Need; states: States; send: Send }) {
  const struck = need.said?.answer === "struck" ? need.said : null;
  const record = (statement: OfLine) => send({ record: { ...statement, key: need.key } });
  if (struck) {
    return (
      <p className="text-note">
        Struck{struck.who && ` by ${struck.who}`}: {struck.reason}{" "}
        <span className="text-soft">{moment(struck.at)}</span>{" "}
        <button
          type="button"
          className="plain-link min-h-6"
          onClick={() => void record({ kind: "line", said: { answer: "open" } })}
        >
          Put it back
        </button>
      </p>
    );
  }
  return (
    <details className="text-note">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        {need.order
          ? [
              states.find(({ name }) => name === (need.order?.state ?? ""))?.label,
              need.order.source,
              need.order.number,
            ]
              .filter(Boolean)
              .join(", ")
          : need.work === "get"
            ? "Order it, or strike it …"
            : "Strike it …"}
      </summary>
      {need.work === "get" && <Order need={need} states={states} record={record} />}
      <Strike record={record} />
    </details>
  );
}

type OfLine = { kind: "line"; said: WordsOf<"line"> } | { kind: "order"; said: WordsOf<"order"> };
type Record_ = (statement: OfLine) => Promise<string | null>;

function Order({ need, states, record }: { need: Need; states: States; record: Record_ }) {
  const begins = { number: "", source: "", price: "", currency: "", state: "", ...need.order };
  const form = useForm(
    begins,
    ({ state, ...words }) =>
      record({ kind: "order", said: { ...words, state: state as OptionOf<"order", "state"> } }),
    ["number", "source", "price", "currency", "state"],
  );
  return (
    <form className="grid grid-cols-2 gap-2 py-1" onSubmit={form.onSubmit}>
      {FIELDS.map(({ name, label }) => (
        <label key={name}>
          {label}
          <input
            {...form.field(name)}
            inputMode={name === "price" ? "decimal" : undefined}
            maxLength={120}
            className="block h-11 w-full rounded-cut border border-line bg-sheet px-2"
          />
        </label>
      ))}
      <label>
        It is
        <select
          {...form.field("state")}
          className="block h-11 w-full rounded-cut border border-line bg-sheet px-2"
        >
          {states.map(({ name, label }) => (
            <option key={name} value={name}>
              {label}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="button mt-auto min-h-11">
        Keep it
      </button>
      <Refused why={form.trouble} className="col-span-2" />
    </form>
  );
}

function Strike({ record }: { record: Record_ }) {
  const form = useForm({ reason: "" }, ({ reason }) =>
    record({ kind: "line", said: { answer: "struck", reason } }),
  );
  return (
    <form className="flex flex-wrap gap-2 py-1" onSubmit={form.onSubmit}>
      <input
        aria-label="Why it is struck"
        {...form.field("reason")}
        maxLength={400}
        placeholder="why it is not got"
        className="h-11 min-w-0 grow rounded-cut border border-line bg-sheet px-2 placeholder:text-soft placeholder:italic"
      />
      <button type="submit" className="button min-h-11" disabled={!form.words.reason.trim()}>
        Strike it
      </button>
      <Refused why={form.trouble} className="basis-full" />
    </form>
  );
}
