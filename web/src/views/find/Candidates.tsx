import type { Candidate, Find } from "@/api/client";
import { useTake } from "@/api/shelf";
import { pinOf, takenBy } from "@/lib/finder";
import { digits } from "@/lib/motion";
import { useJobEditor } from "@/lib/useJobEditor";

const SHOWN = 40;

type TableProps = {
  find: Find;
  shown: Candidate[];
  order: string;
  onOrder: (name: string) => void;
  pins: string[];
  onPin: (pin: string) => void;
};

export function Candidates({ find, shown, order, onOrder, pins, onPin }: TableProps) {
  const editor = useJobEditor();
  const take = useTake(editor.entered.id);
  const kinds = Object.keys(find.candidates[0]?.names ?? {});
  return (
    <>
      {take.error && (
        <p role="alert" className="mt-2 font-semibold">
          ▲ {take.error.message}
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="mt-3 w-full text-note" data-testid="candidates">
          <thead>
            <tr className="border-b border-ink text-left align-bottom">
              <th className="pr-2 font-normal">Pin</th>
              {kinds.map((kind) => (
                <th key={kind} className="pr-3 font-normal text-soft">
                  {kind}
                </th>
              ))}
              {find.objectives.map((o) => (
                <th
                  key={o.name}
                  className="pl-2 text-right font-normal"
                  aria-sort={o.name === order ? (o.more ? "descending" : "ascending") : undefined}
                >
                  <button
                    type="button"
                    className={`min-h-6 ${o.name === order ? "font-bold underline" : "plain-link"}`}
                    onClick={() => onOrder(o.name)}
                  >
                    {o.label}
                  </button>
                </th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {shown.slice(0, SHOWN).map((candidate) => {
              const pin = pinOf(candidate);
              const pinned = pins.includes(pin);
              return (
                <tr key={pin} className={`border-b border-hair ${pinned ? "bg-now-wash" : ""}`}>
                  <td>
                    <input
                      type="checkbox"
                      className="size-5 accent-now"
                      checked={pinned}
                      onChange={() => onPin(pin)}
                      aria-label={`Pin ${Object.values(candidate.names).join(", ")}`}
                    />
                  </td>
                  {kinds.map((kind) => (
                    <td key={kind} className="py-1 pr-3">
                      {candidate.names[kind]}
                    </td>
                  ))}
                  {find.objectives.map((o) => (
                    <td key={o.name} className="figure pl-2 text-right">
                      {candidate.objectives[o.name] === undefined
                        ? ""
                        : digits(candidate.objectives[o.name] ?? 0)}
                    </td>
                  ))}
                  <td className="pl-3 text-right">
                    <button
                      type="button"
                      className="plain-link min-h-8 font-semibold"
                      disabled={take.isPending}
                      aria-label={`Take ${Object.values(candidate.names).join(", ")} into the job`}
                      onClick={() => take.mutate(takenBy(pin))}
                    >
                      Take
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {shown.length > SHOWN && (
        <p className="py-2 text-note text-soft">
          {shown.length - SHOWN} more: narrow the rulers down, or sort by another column.
        </p>
      )}
    </>
  );
}
