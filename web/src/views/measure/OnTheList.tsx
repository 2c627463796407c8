import { useState } from "react";
import type { Measure, OptionOf, WordsOf } from "@/api/client";
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
  const [trouble, setTrouble] = useState<string | null>(null);
  const record = async (statement: OfLine) =>
    setTrouble(await send({ record: { ...statement, key: need.key } }));
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
      {trouble && (
        <p role="alert" className="font-semibold">
          ▲ {trouble}
        </p>
      )}
    </details>
  );
}

type OfLine = { kind: "line"; said: WordsOf<"line"> } | { kind: "order"; said: WordsOf<"order"> };
type Record_ = (statement: OfLine) => Promise<void>;

function Order({ need, states, record }: { need: Need; states: States; record: Record_ }) {
  const [said, setSaid] = useState<WordsOf<"order">>({ ...need.order } as WordsOf<"order">);
  return (
    <form
      className="grid grid-cols-2 gap-2 py-1"
      onSubmit={(event) => {
        event.preventDefault();
        void record({ kind: "order", said });
      }}
    >
      {FIELDS.map(({ name, label }) => (
        <label key={name}>
          {label}
          <input
            value={said[name] ?? ""}
            inputMode={name === "price" ? "decimal" : undefined}
            maxLength={120}
            onChange={(event) => setSaid({ ...said, [name]: event.target.value })}
            className="block h-11 w-full rounded-cut border border-line bg-sheet px-2"
          />
        </label>
      ))}
      <label>
        It is
        <select
          value={said.state ?? ""}
          onChange={(event) => setSaid({ ...said, state: event.target.value as OptionOf<"order", "state"> })}
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
    </form>
  );
}

function Strike({ record }: { record: Record_ }) {
  const [reason, setReason] = useState("");
  return (
    <form
      className="flex gap-2 py-1"
      onSubmit={(event) => {
        event.preventDefault();
        void record({ kind: "line", said: { answer: "struck", reason } });
      }}
    >
      <input
        aria-label="Why it is struck"
        value={reason}
        maxLength={400}
        placeholder="why it is not got"
        onChange={(event) => setReason(event.target.value)}
        className="h-11 min-w-0 grow rounded-cut border border-line bg-sheet px-2 placeholder:text-soft placeholder:italic"
      />
      <button type="submit" className="button min-h-11" disabled={!reason.trim()}>
        Strike it
      </button>
    </form>
  );
}
