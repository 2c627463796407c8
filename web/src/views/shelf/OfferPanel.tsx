import { useState } from "react";
import { Link } from "react-router";
import { useOffers, useTake } from "@/api/shelf";
import { More } from "@/components/More";
import { Panel } from "@/components/Panel";
import { digits } from "@/lib/motion";
import { useJobEditor } from "@/lib/useJobEditor";

/** Parts of the shelf offered to this job, each with what it would make of it; what does not fit is stopped here. */
export function OfferPanel({ slot, onClose }: { slot: string; onClose: () => void }) {
  const editor = useJobEditor();
  const [words, setWords] = useState("");
  const offers = useOffers(editor.entered.id, editor.entered.revision, slot, words);
  const take = useTake(editor.entered.id);
  if (!offers.data) {
    return (
      <Panel title="From the shelf" onClose={onClose}>
        <p>{offers.error?.message ?? "Looking …"}</p>
      </Panel>
    );
  }
  const [first] = offers.data.pages;
  if (!first) return null;
  const { label, taken, changed, count } = first;
  const shown = offers.data.pages.flatMap((page) => page.parts);
  return (
    <Panel title={`${label} from the shelf`} onClose={onClose}>
      {taken && (
        <p className="mb-2">
          Taken: <span className="font-bold">{taken}</span>
          {changed.length > 0 && (
            <span className="text-soft">
              , with {changed.map((c) => c.label.toLowerCase()).join(", ")} typed over since
            </span>
          )}
        </p>
      )}
      <input
        type="search"
        aria-label={`Search ${label.toLowerCase()}`}
        placeholder="Search"
        value={words}
        onChange={(event) => setWords(event.target.value)}
        className="h-11 w-full rounded-cut border border-line bg-paper px-3"
      />
      <ul className="mt-2">
        {shown.map(({ part, states, misfit, bite, lift, taken: now }) => (
          <li
            key={part.id}
            data-offer={part.name}
            className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-t border-hair py-2.5"
          >
            <div>
              <p className="font-bold">{part.name}</p>
              <p className="text-note text-soft">
                {states.map((s) => `${s.name.toLowerCase()} ${s.label}`).join(" · ")}
              </p>
              {misfit ? (
                <p className="text-note font-semibold">▲ {misfit}</p>
              ) : (
                <p className="text-note">
                  makes the bite margin <b className="figure">{bite === null ? "open" : digits(bite)}</b>, the
                  lift margin <b className="figure">{lift === null ? "open" : digits(lift)}</b>
                  {part.price > 0 && ` · price ${part.price}`}
                </p>
              )}
            </div>
            <button
              type="button"
              className="button"
              disabled={misfit !== null || take.isPending}
              aria-label={`Take ${part.name}`}
              onClick={() => take.mutate({ parts: [part.id], entries: [] })}
            >
              {now ? "Take again" : "Take"}
            </button>
          </li>
        ))}
      </ul>
      <More list={offers} shown={shown.length} count={count} />
      {shown.length === 0 && <p className="mt-3 text-soft">Nothing on the shelf fits these words.</p>}
      {take.error && (
        <p role="alert" className="mt-3 font-semibold">
          ▲ {take.error.message}
        </p>
      )}
      <p className="mt-4 border-t border-hair pt-3">
        <Link className="plain-link" to={`/shelf?slot=${slot}`}>
          Open the shelf
        </Link>{" "}
        <span className="text-note text-soft">
          Taking a part copies its figures; changing the shelf later changes no job.
        </span>
      </p>
    </Panel>
  );
}
