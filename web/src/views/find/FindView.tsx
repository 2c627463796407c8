import { useState } from "react";
import type { Find } from "@/api/client";
import { useCatalogue } from "@/api/queries";
import { cancelFind, startFind, useFind, useShelf } from "@/api/shelf";
import { Refused } from "@/components/Refused";
import { Scroll } from "@/components/Scroll";
import { useAddress } from "@/lib/address";
import { ENTRIES_COLUMN, RESULTS_COLUMN, TWO_COLUMNS } from "@/lib/columns";
import { counted, MOST_PINS, type Ranges, sortedBy, within } from "@/lib/finder";
import { useJobEditor } from "@/lib/useJobEditor";
import { Candidates } from "./Candidates";
import { Compare } from "./Compare";
import { Excluded } from "./Excluded";
import { Rulers } from "./Rulers";
import { Setup } from "./Setup";

/** Parts the finder offers to tick; of a larger shelf the first ones. */
const MOST_PARTS = 500;

/** The finder: sweeps the shelf against the brief and shows what is worth a look. */
export function FindView() {
  const editor = useJobEditor();
  const shelf = useShelf({ most: MOST_PARTS });
  const [first] = shelf.data?.pages ?? [];
  const [search, put] = useAddress();
  const run = search.get("run") ? Number(search.get("run")) : null;
  const find = useFind(run);
  const [trouble, setTrouble] = useState<string | null>(null);
  const pins = (search.get("pins") ?? "").split(";").filter(Boolean);
  const toggle = (pin: string) => {
    const next = pins.includes(pin) ? pins.filter((p) => p !== pin) : [...pins, pin].slice(-MOST_PINS);
    put({ pins: next.join(";") || null });
  };
  const catalogue = useCatalogue();
  if (!first || !catalogue.data) return <p className="p-5">Opening the shelf …</p>;
  return (
    <div className={TWO_COLUMNS}>
      <Scroll label="What may vary" className={ENTRIES_COLUMN}>
        <Setup
          catalogue={catalogue.data}
          shelf={first}
          running={find.data?.state === "running" && run !== null}
          onStart={(body) => {
            setTrouble(null);
            startFind(editor.entered.id, body).then(
              (begun) => put({ run: String(begun.run) }),
              (error) => setTrouble(error instanceof Error ? error.message : "The search could not begin."),
            );
          }}
          onCancel={() => run !== null && void cancelFind(run).then(() => find.refetch())}
        />
        <Refused why={trouble} className="mt-3" />
      </Scroll>
      <Scroll label="Candidates" className={RESULTS_COLUMN}>
        {run === null ? (
          <div className="max-w-prose">
            <h1 className="text-head font-bold">Let it look</h1>
            <p className="mt-2">
              Tick the kinds of parts that may vary, or leave figures free. Every combination is held against
              the brief: low friction, face pressure, lift at the least gap, effort, heat, and what does not
              fit together. What no other beats in everything is shown.
            </p>
          </div>
        ) : find.error ? (
          <p role="alert" className="font-semibold">
            ▲ {find.error.message}
          </p>
        ) : find.data ? (
          <Found find={find.data} pins={pins} onPin={toggle} />
        ) : (
          <p>Searching …</p>
        )}
        {pins.length > 0 && <Compare pins={pins} onDrop={toggle} />}
      </Scroll>
    </div>
  );
}

function Found({ find, pins, onPin }: { find: Find; pins: string[]; onPin: (pin: string) => void }) {
  const [ranges, setRanges] = useState<Ranges>({});
  const [order, setOrder] = useState("bite");
  const objectives = find.objectives;
  const shown = sortedBy(
    within(find.candidates, ranges),
    objectives.find((o) => o.name === order),
  );
  const share = find.total > 0 ? find.done / find.total : 0;
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-head font-bold" data-testid="find-says">
          {find.state === "running"
            ? "Searching"
            : find.state === "finished"
              ? "Found"
              : `Search ${find.state}`}
          : {counted(find.done)} of {counted(find.total)} held against the brief, {counted(find.kept)} pass
        </h1>
        <p className="text-note">
          {find.candidates.length + find.more_candidates} that no other beats in everything
        </p>
      </div>
      <div
        role="progressbar"
        aria-label="Search"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(share * 100)}
        className="mt-1 h-1.5 bg-hair"
      >
        <div className="h-full bg-now" style={{ width: `${share * 100}%` }} />
      </div>
      {find.trouble && <p className="mt-2 font-semibold">▲ {find.trouble}</p>}
      <Excluded find={find} />
      {find.candidates.length === 0 && find.state !== "running" && (
        <p className="my-4 font-semibold">
          Nothing passes. What ruled most of them out stands first above: loosen that, or add parts.
        </p>
      )}
      {find.candidates.length > 0 && (
        <>
          <div className="mt-3">
            <Rulers
              candidates={find.candidates}
              shown={shown}
              objectives={objectives}
              ranges={ranges}
              pins={pins}
              onRange={(name, range) => {
                const next = { ...ranges };
                if (range === null) delete next[name];
                else next[name] = range;
                setRanges(next);
              }}
            />
          </div>
          {find.unseen.length > 0 && (
            <p className="text-note text-soft">
              Not looked at, for the brief does not say enough: {find.unseen.join(", ").toLowerCase()}.
            </p>
          )}
          <Candidates find={find} shown={shown} order={order} onOrder={setOrder} pins={pins} onPin={onPin} />
        </>
      )}
    </>
  );
}
