import type { Compare as CompareData } from "@/api/client";
import { useCompare, useTake } from "@/api/shelf";
import { Glyph } from "@/components/Glyph";
import { takenBy } from "@/lib/finder";
import { useJobEditor } from "@/lib/useJobEditor";
import { QUESTION_LABELS, STATE_WORDS } from "@/lib/words";

/** Pinned candidates beside the job as it is; what differs is marked. */
export function Compare({ pins, onDrop }: { pins: string[]; onDrop: (pin: string) => void }) {
  const editor = useJobEditor();
  const candidates = pins.map(takenBy);
  const compared = useCompare(editor.entered.id, editor.entered.revision, candidates);
  const take = useTake(editor.entered.id);
  const names = new Set(editor.entered.builds.map((build) => build.name));
  const keep = (candidate: (typeof candidates)[number] | undefined) => {
    let number = 1;
    while (names.has(`candidate ${number}`)) number += 1;
    if (candidate) take.mutate({ ...candidate, build: `candidate ${number}` });
  };
  if (!compared.data) return null;
  const { columns, rows } = compared.data;
  const questions = columns[0]?.verdicts.map((v) => v.question) ?? [];
  return (
    <section aria-label="Side by side" className="mt-6" data-testid="compare">
      <h2 className="border-b border-ink pb-1 text-head font-bold">Side by side</h2>
      <div className="overflow-x-auto">
        <table className="w-full text-note">
          <thead>
            <tr>
              <th />
              {columns.map((column, i) => (
                <th key={column.label} scope="col" className="py-1 pl-3 text-right align-top">
                  {column.label}
                  {i > 0 && (
                    <span className="block font-normal">
                      <button
                        type="button"
                        className="plain-link min-h-6"
                        onClick={() => take.mutate(candidates[i - 1] ?? { parts: [], entries: [] })}
                      >
                        Take
                      </button>{" "}
                      <button
                        type="button"
                        className="plain-link min-h-6"
                        title="It stands beside the plan under Builds, and can be worked on there"
                        onClick={() => keep(candidates[i - 1])}
                      >
                        Keep beside
                      </button>{" "}
                      <button
                        type="button"
                        className="plain-link min-h-6"
                        aria-label={`Unpin ${column.label}`}
                        onClick={() => onDrop(pins[i - 1] ?? "")}
                      >
                        Unpin
                      </button>
                    </span>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {questions.map((question, q) => (
              <tr key={question} className="border-t border-hair">
                <th scope="row" className="text-left font-bold">
                  {QUESTION_LABELS[question]}
                </th>
                {columns.map((column) => {
                  const verdict = column.verdicts[q];
                  return (
                    <td key={column.label} className="py-1 pl-3 text-right">
                      {verdict && (
                        <span className="inline-flex items-center gap-2">
                          <Glyph verdict={verdict} className="h-6 w-8" />
                          <span className="font-bold">{STATE_WORDS[verdict.state]}</span>
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
            {rows.map((row) => (
              <Row key={row.name} row={row} columns={columns} />
            ))}
          </tbody>
        </table>
      </div>
      {columns.some((c) => c.misfit) && (
        <p className="mt-2 font-semibold">▲ {columns.find((c) => c.misfit)?.misfit}</p>
      )}
      {take.error && (
        <p role="alert" className="mt-2 font-semibold">
          ▲ {take.error.message}
        </p>
      )}
    </section>
  );
}

function Row({ row, columns }: { row: CompareData["rows"][number]; columns: CompareData["columns"] }) {
  const first = columns[0]?.figures[row.name];
  return (
    <tr className="border-t border-hair">
      <th scope="row" className="py-1 text-left font-normal">
        {row.label}
      </th>
      {columns.map((column) => {
        const figure = column.figures[row.name];
        const differs = figure !== first;
        return (
          <td key={column.label} className={`figure pl-3 text-right ${differs ? "font-bold" : "text-soft"}`}>
            {differs && <span aria-hidden="true">≠ </span>}
            {figure ?? "open"}
          </td>
        );
      })}
    </tr>
  );
}
