import { useState } from "react";
import { Link } from "react-router";
import type { OptionOf } from "@/api/client";
import type { Prove } from "@/api/prove";
import { Refused } from "@/components/Refused";
import { Scroll } from "@/components/Scroll";
import { useAddress } from "@/lib/address";
import { useJobEditor } from "@/lib/useJobEditor";
import { FluidRows } from "./FluidRows";
import { useProof } from "./Prove";

type Card = Prove["cards"][number];
type Item = Card["items"][number];
type Tell = (change: Parameters<ReturnType<typeof useProof>["say"]>[0]) => Promise<string | null>;

/** First start, first metres, road, and the look again: one card at a time, large enough for a hand in a glove. */
export function StartView() {
  const { prove, say } = useProof();
  const [trouble, setTrouble] = useState<string | null>(null);
  const tell: Tell = async (change) => {
    const refused = await say(change);
    setTrouble(refused);
    return refused;
  };
  const begun = prove.cards.find((card) => card.items.some(({ said }) => said === null));
  const [search, put] = useAddress();
  const card = prove.cards.find(({ name }) => name === search.get("card")) ?? begun ?? prove.cards[0];
  return (
    <Scroll label="Cards and fluids" className="h-full overflow-y-auto px-5 py-4">
      <div className="mx-auto grid max-w-[72rem] gap-x-8 gap-y-6 wide:grid-cols-[1fr_22rem]">
        <section aria-labelledby="card">
          <nav aria-label="Cards" className="flex flex-wrap gap-x-5">
            {prove.cards.map((each) => (
              <button
                key={each.name}
                type="button"
                aria-current={each.name === card?.name ? "true" : undefined}
                className={`min-h-11 ${each.name === card?.name ? "font-bold" : "plain-link"}`}
                onClick={() => put({ card: each.name })}
              >
                {each.title} {each.items.filter(({ said }) => said).length}/{each.items.length}
              </button>
            ))}
          </nav>
          {card && <OneCard key={card.name} card={card} tell={tell} />}
          <Refused why={trouble} />
        </section>
        <div>
          <FluidRows tell={tell} />
          <section className="mt-6" aria-labelledby="noises" data-testid="noises">
            <h2 id="noises" className="lettering border-b border-ink pb-0.5">
              Noises that are not the clutch
            </h2>
            {prove.noises.map((noise) => (
              <Heard key={`${noise.name} ${noise.said?.at ?? ""}`} noise={noise} tell={tell} />
            ))}
          </section>
        </div>
      </div>
    </Scroll>
  );
}

/** A noise that was heard, ticked at once; the server's word comes after. */
function Heard({ noise, tell }: { noise: Prove["noises"][number]; tell: Tell }) {
  const [on, setOn] = useState(noise.said !== null);
  return (
    <label className="flex min-h-11 items-center gap-3 border-b border-hair py-1 leading-tight">
      <input
        type="checkbox"
        className="size-6 shrink-0"
        checked={on}
        onChange={(event) => {
          setOn(event.target.checked);
          tell({ kind: "heard", key: noise.name, said: { answer: event.target.checked ? "heard" : "open" } });
        }}
      />
      <span>
        {noise.heard}
        <span className="block text-note text-soft">is {noise.what}</span>
      </span>
    </label>
  );
}

function OneCard({ card, tell }: { card: Card; tell: Tell }) {
  const { entered: job } = useJobEditor();
  const next = card.items.find(({ said }) => said === null);
  const rest = card.items.filter((item) => item !== next);
  return (
    <article data-testid="proof-card" data-card={card.name}>
      <h1 id="card" className="border-b-2 border-ink pb-1 text-head font-bold">
        {card.title}
      </h1>
      <p className="mt-2 border-l-4 border-ink pl-3 text-field font-semibold">▲ {card.caution}</p>
      {card.first.length > 0 && (
        <p className="pt-2" data-testid="card-first">
          Not done yet, and comes before it: {card.first.join("; ")}.
        </p>
      )}
      {next ? (
        <Try key={next.key} item={next} tell={tell} />
      ) : (
        <p className="py-4 text-state font-bold">
          All of it is tried.{" "}
          <Link to={`/jobs/${job.id}/fit`} className="plain-link text-field">
            Back to the order of work
          </Link>
        </p>
      )}
      {rest.map((item) => (
        <Tried key={item.key} item={item} tell={tell} />
      ))}
    </article>
  );
}

function Try({ item, tell }: { item: Item; tell: Tell }) {
  const [note, setNote] = useState("");
  const said = (answer: OptionOf<"card", "answer">) =>
    tell({ kind: "card", key: item.key, said: { answer, ...(note && { note }) } });
  return (
    <div className="py-3" data-testid="try-now">
      <p className="text-state font-bold leading-tight">{item.do}</p>
      <p className="pb-2 text-field">{item.listen}.</p>
      <input
        aria-label="What was noticed"
        value={note}
        maxLength={300}
        placeholder="what was noticed, if anything"
        onChange={(event) => setNote(event.target.value)}
        className="mb-2 h-11 w-full rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
      />
      <div className="grid grid-cols-2 gap-3">
        <button type="button" className="button min-h-16 text-head" onClick={() => said("good")}>
          As it should
        </button>
        <button type="button" className="button min-h-16 text-head" onClick={() => said("odd")}>
          Something is odd
        </button>
      </div>
      <button type="button" className="plain-link mt-1 min-h-11 text-note" onClick={() => said("not_tried")}>
        Not tried here
      </button>
    </div>
  );
}

function Tried({ item, tell }: { item: Item; tell: Tell }) {
  const { entered: job } = useJobEditor();
  const { prove } = useProof();
  const odd = item.said?.answer === "odd";
  const complained = item.symptom !== "" && prove.fault.complaints.includes(item.symptom);
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 border-b border-hair py-1" data-item={item.key}>
      <span className={`grow ${item.said ? "" : "text-soft"}`}>
        {odd && "▲ "}
        {item.do}: <b>{item.said ? item.said.words : "to come"}</b>
        {item.said?.reason && `, ${item.said.reason}`}{" "}
        <span className="text-note text-soft">{item.said?.who}</span>
      </span>
      {odd && item.symptom && !complained && (
        <button
          type="button"
          className="plain-link min-h-11 text-note"
          onClick={() =>
            tell({
              kind: "complaint",
              said: { answer: [...prove.fault.complaints, item.symptom].join(", ") },
            })
          }
        >
          Look into it
        </button>
      )}
      {odd && complained && (
        <Link
          className="plain-link inline-flex min-h-11 items-center text-note"
          to={`/jobs/${job.id}/prove/fault`}
        >
          What it may be
        </Link>
      )}
      {item.said && (
        <button
          type="button"
          className="plain-link min-h-11 text-note"
          onClick={() => tell({ kind: "card", key: item.key, said: { answer: "open" } })}
        >
          Take back
        </button>
      )}
    </div>
  );
}
