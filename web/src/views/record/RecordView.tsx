import { useSearchParams } from "react-router";
import type { RecordPage } from "@/api/client";
import { useGoBack, useRecord } from "@/api/queries";
import { Scroll } from "@/components/Scroll";
import { useJobEditor } from "@/lib/useJobEditor";
import { moment } from "@/lib/words";

/** The record: everything that was entered, read, ticked or said of this job, newest first. */
export function RecordView() {
  const { entered } = useJobEditor();
  const [query, setQuery] = useSearchParams();
  const [station, part] = [query.get("station") ?? "", query.get("part") ?? ""];
  const first = Number(query.get("first") ?? 0) || 0;
  const record = useRecord(entered.id, entered.change, { station, part, first });
  const goBack = useGoBack(entered.id);
  const narrow = (change: Record<string, string>) =>
    setQuery((before) => {
      const next = new URLSearchParams(before);
      for (const [name, value] of Object.entries({ first: "", ...change })) {
        if (value) next.set(name, value);
        else next.delete(name);
      }
      return next;
    });
  const page = record.data;
  return (
    <Scroll label="Record" className="overflow-y-auto h-full px-5 py-5">
      <div className="mx-auto max-w-[60rem]">
        <h1 className="text-big font-bold">Record</h1>
        <p className="mt-1 text-soft">
          Every change as it was made, by whom and when. Nothing is ever erased: undo and going back add a
          line like any other.
        </p>
        {page && (
          <div className="mt-3 flex flex-wrap gap-3">
            <Narrow
              label="Station"
              all="Every station"
              value={station}
              options={page.stations}
              onPick={(value) => narrow({ station: value })}
            />
            <Narrow
              label="Part"
              all="Every part"
              value={part}
              options={page.parts}
              onPick={(value) => narrow({ part: value })}
            />
            <p className="self-end pb-2 text-note text-soft" role="status">
              {page.total === 1 ? "1 entry" : `${page.total} entries`}
            </p>
          </div>
        )}
        {goBack.error && (
          <p role="alert" className="mt-2 font-semibold">
            ▲ {goBack.error.message}
          </p>
        )}
        <ol className="mt-4" data-testid="record">
          {page?.events.map((event) => {
            const { revision } = event;
            return (
              <Line
                key={`${event.at} ${event.kind} ${event.what.join()}`}
                event={event}
                station={page.stations.find(({ name }) => name === event.station)?.label ?? ""}
                onBack={
                  revision !== null && revision < entered.revision
                    ? () => goBack.mutate({ revision, onto: entered.revision })
                    : null
                }
              />
            );
          })}
        </ol>
        {page && page.total > first + page.events.length && (
          <button
            type="button"
            className="button mt-3 min-h-11"
            onClick={() => narrow({ first: `${first + page.events.length}` })}
          >
            Earlier entries
          </button>
        )}
        {first > 0 && (
          <button type="button" className="button mt-3 ml-2 min-h-11" onClick={() => narrow({})}>
            The newest
          </button>
        )}
      </div>
    </Scroll>
  );
}

type NarrowProps = {
  label: string;
  all: string;
  value: string;
  options: { name: string; label: string }[];
  onPick: (value: string) => void;
};

function Narrow({ label, all, value, options, onPick }: NarrowProps) {
  return (
    <label className="text-note font-semibold">
      {label}
      <select
        value={value}
        onChange={(event) => onPick(event.target.value)}
        className="mt-0.5 block h-11 rounded-cut border border-line bg-sheet px-2 font-normal"
      >
        <option value="">{all}</option>
        {options.map((option) => (
          <option key={option.name} value={option.name}>
            {option.label}
          </option>
        ))}
      </select>
    </label>
  );
}

const KINDS: Record<string, string> = {
  start: "job begun",
  edit: "entered",
  undo: "undone",
  redo: "redone",
  reading: "read",
};

type LineProps = { event: RecordPage["events"][number]; station: string; onBack: (() => void) | null };

function Line({ event, station, onBack }: LineProps) {
  return (
    <li className="grid gap-x-6 border-t border-hair py-3 tablet:grid-cols-[13rem_1fr]">
      <p>
        {event.revision !== null && <span className="figure font-bold">{event.revision} </span>}
        {KINDS[event.kind] ?? station}
        {event.of !== null && <span className="text-soft"> (revision {event.of})</span>}
        <time dateTime={event.at} className="block text-note text-soft">
          {moment(event.at)}
          {event.who && `, ${event.who}`}
        </time>
        {onBack && (
          <button
            type="button"
            className="plain-link min-h-6 text-note"
            aria-label={`Back to this: revision ${event.revision}`}
            onClick={onBack}
          >
            Back to this
          </button>
        )}
      </p>
      <ul>
        {event.what.map((said) => (
          <li key={said}>{said}</li>
        ))}
      </ul>
    </li>
  );
}
