import type { Beside as Alternatives } from "@/api/client";
import { useBeside } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { useJobEditor } from "@/lib/useJobEditor";

type Row = Alternatives["rows"][number];

/** Alternatives for one part of a job side by side; each can be put in. Nothing where the job has no such part. */
export function Beside({ name }: { name: "cylinders" | "instructions" }) {
  const editor = useJobEditor();
  const found = useBeside(name, editor.entered.id, editor.entered.revision, editor.looked);
  if (!found.data) return null;
  if (found.data.trouble) return <p className="mt-3 font-semibold">▲ {found.data.trouble}</p>;
  if (found.data.rows.length === 0) return null;
  return <Table found={found.data} put={editor.actions.put} />;
}

function Table({ found, put }: { found: Alternatives; put: (entries: Row["puts"]) => void }) {
  return (
    <section className="mt-5" data-testid="beside" aria-label={found.title}>
      <h2 className="border-b border-ink pb-1 text-head font-bold">{found.title}</h2>
      {found.says.map((sentence) => (
        <p key={sentence} className="max-w-prose">
          {sentence}
        </p>
      ))}
      <div className="relative overflow-x-auto">
        <table className="mt-1 w-full">
          <thead>
            <tr className="border-b border-ink text-left text-note text-soft">
              {found.columns.map((column) => (
                <th key={column} className="py-1 pr-3 font-normal">
                  {column}
                </th>
              ))}
              <th className="font-normal">
                <span className="sr-only">Put in</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {found.rows.map((row) => (
              <Line key={JSON.stringify(row.puts)} row={row} put={put} />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Line({ row, put }: { row: Row; put: (entries: Row["puts"]) => void }) {
  return (
    <tr className={`border-b border-hair align-baseline ${row.present ? "font-bold" : ""}`}>
      {row.cells.map((cell, i) => (
        <td
          // biome-ignore lint/suspicious/noArrayIndexKey: cells are told apart by their column
          key={i}
          className={`whitespace-nowrap py-1 pr-3 ${row.good ? "" : "text-soft"}`}
        >
          {cell.figure ? <Figure value={cell.figure} /> : cell.words}
        </td>
      ))}
      <td className="sticky right-0 bg-paper py-1 pl-2 text-right">
        {row.present ? (
          <span className="text-note">as it is</span>
        ) : (
          <button type="button" className="button" onClick={() => put(row.puts)}>
            Put in
          </button>
        )}
      </td>
    </tr>
  );
}
