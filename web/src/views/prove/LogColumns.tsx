import { useEffect, useState } from "react";
import { type LogTop, logColumns } from "@/api/prove";
import { useJobEditor } from "@/lib/useJobEditor";

type Props = { file: File; open: boolean; onRead: (columns: string) => void };

/** Which column of a log is what, for somebody who knows better than its headings. */
export function LogColumns({ file, open, onRead }: Props) {
  const { entered: job } = useJobEditor();
  const [top, setTop] = useState<LogTop | null>(null);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    logColumns(job.id, file).then(
      (found) => {
        setTop(found);
        setPicked(found.headings.map(({ taken }) => taken));
      },
      (error: unknown) => setTrouble(error instanceof Error ? error.message : String(error)),
    );
  }, [job.id, file]);
  if (trouble) return open ? null : <p>▲ {trouble}</p>;
  if (!top) return null;
  const columns = top.headings.map(({ heading }, at) => ({ heading, at, name: `${at} ${heading}` }));
  return (
    <details open={open} className="py-2" data-testid="log-columns">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        Which column is what …
      </summary>
      <div className="grid grid-cols-1 gap-2 tablet:grid-cols-3">
        {columns.map(({ heading, at, name: column }) => (
          <label key={column} className="text-note font-semibold">
            <span className="break-all">{heading || `column ${at + 1}`}</span>
            <select
              className="mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal"
              value={picked[at] ?? ""}
              onChange={(event) =>
                setPicked(picked.map((each, other) => (other === at ? event.target.value : each)))
              }
            >
              <option value="">left out</option>
              {top.offered.map(({ name, label }) => (
                <option key={name} value={name}>
                  {label}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
      <button type="button" className="button mt-2 min-h-11" onClick={() => onRead(picked.join(","))}>
        Read it so
      </button>
    </details>
  );
}
