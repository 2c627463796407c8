import { useState } from "react";
import { Link } from "react-router";
import type { BenchStatement, Measure } from "@/api/client";
import { Refused } from "@/components/Refused";
import { OnTheList } from "./OnTheList";
import type { Send } from "./send";

export type Need = Measure["needs"][number];
export type Plan = NonNullable<Need["plan"]>;

type Props = { bench: Measure; need: Need; send: Send; plan: (these: Plan[]) => void };

/** A line of the list: the part, how far it is by the account, why it is there, and what can be done with it. */
export function PartNow({ bench, need, send, plan }: Props) {
  const struck = need.state === "struck";
  const ordered = bench.order_states.find(({ name }) => name === need.order?.state)?.label;
  return (
    <li className="border-b border-hair py-1.5" data-part={need.part} data-state={need.state}>
      <span className="float-right ml-3 flex flex-wrap justify-end gap-2">
        {need.plan && !struck && (
          <button
            type="button"
            className="button"
            aria-label={`Plan it: ${need.label}`}
            onClick={() => need.plan && plan([need.plan])}
          >
            {need.wanted ? "Mark it as renewed" : "Plan it"}
          </button>
        )}
        {need.added && (
          <button
            type="button"
            className="button"
            aria-label={`Take it off: ${need.label}`}
            onClick={() =>
              void send({ record: { kind: "own_part", key: need.added, said: { answer: "open" } } })
            }
          >
            Take it off
          </button>
        )}
      </span>
      <b className={struck ? "line-through" : ""}>{need.label}</b>
      {need.own && <span className="text-note text-soft"> the shop’s own part</span>}
      <span className="ml-2 font-semibold" data-testid="state">
        {need.words}
      </span>
      {need.rests_on && <span className="ml-2 text-note text-soft">{need.rests_on}</span>}
      {need.reasons
        .filter((reason) => reason !== ordered)
        .map((reason) => (
          <span key={reason} className="block text-note">
            {reason}
          </span>
        ))}
      {need.left[0] && (
        <span className="block text-note">
          Goes in with{" "}
          <Link
            className="plain-link"
            to={`/jobs/${bench.job}/fit?step=${encodeURIComponent(need.left[0].name)}`}
          >
            {need.left[0].label}
          </Link>
          {need.left.length > 1 && ` and ${need.left.length - 1} more`}
        </span>
      )}
      <OnTheList need={need} states={bench.order_states} send={send} />
    </li>
  );
}

/** Everything that is on its way has come: one touch for all of it. */
export function AllHere({ bench, send }: { bench: Measure; send: Send }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const waits = bench.needs.filter((need) => need.on_the_way);
  if (waits.length < 2) return null;
  const records = waits.map(
    (need): BenchStatement => ({
      kind: "order",
      key: need.key,
      said: { ...(need.order ?? {}), state: "arrived" },
    }),
  );
  return (
    <div className="pt-2" data-testid="all-here">
      <button
        type="button"
        className="button min-h-11"
        onClick={() => void send({ records }).then(setTrouble)}
      >
        All {waits.length} are here
      </button>
      <span className="ml-3 text-note">{waits.map(({ label }) => label).join(", ")}</span>
      <Refused why={trouble} />
    </div>
  );
}
