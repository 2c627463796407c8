import type { CsvRead } from "@/api/client";
import { useTakeCsv } from "@/api/shelf";
import { Panel } from "@/components/Panel";

type Props = { name: string; text: string; told: CsvRead; onClose: () => void };

const MARKS = { new: "+", changes: "≠", same: "=", bad: "▲" };

/** What a shelf file would do, row by row; rows that cannot be read are named and left out. */
export function CsvSheet({ name, text, told, onClose }: Props) {
  const take = useTakeCsv();
  const good = told.new + told.changes;
  return (
    <Panel title={`How ${name} is read`} onClose={onClose}>
      <p>
        <span className="font-bold">{told.new} new</span>, {told.changes} change what is there,{" "}
        {told.lines.length - good - told.bad} are there already,{" "}
        <span className={told.bad ? "font-bold" : ""}>{told.bad} cannot be read</span>.
      </p>
      <ul className="mt-3" data-testid="csv-lines">
        {told.lines.map((line) => (
          <li
            key={line.line}
            className="grid grid-cols-[3.5rem_1rem_1fr] gap-x-2 border-t border-hair py-1.5"
          >
            <span className="figure text-note text-soft">line {line.line}</span>
            <span aria-hidden="true">{MARKS[line.status]}</span>
            <span>
              <span className="font-semibold">{line.name || "no name"}</span>{" "}
              <span className={line.status === "bad" ? "font-semibold" : "text-soft"}>{line.says}</span>
            </span>
          </li>
        ))}
      </ul>
      <p className="sticky bottom-0 mt-4 flex gap-3 bg-sheet py-2">
        <button
          type="button"
          className="button"
          disabled={good === 0 || take.isPending}
          onClick={() => take.mutate(text, { onSuccess: onClose })}
        >
          Take in {good} {good === 1 ? "row" : "rows"}
        </button>
        <button type="button" className="button" onClick={onClose}>
          Leave it
        </button>
      </p>
      {take.error && <p className="font-semibold">▲ {take.error.message}</p>}
    </Panel>
  );
}
