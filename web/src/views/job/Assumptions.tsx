import { Figure } from "@/components/Figure";
import { Panel } from "@/components/Panel";
import { useJobEditor } from "@/lib/useJobEditor";

/** Everything the answers stand on that nobody entered. */
export function Assumptions({ onClose }: { onClose: () => void }) {
  const { shown } = useJobEditor();
  return (
    <Panel title={`Assumptions: ${shown.assumptions.length}`} onClose={onClose}>
      <p className="pb-3">
        Nobody entered these. Each one is replaced by typing a figure in its field; the vehicle's manual or
        the maker's sheet always wins.
      </p>
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-left">
            <th className="py-1 pr-3">Quantity</th>
            <th className="py-1">Taken</th>
          </tr>
        </thead>
        <tbody>
          {shown.assumptions.map((assumption) => (
            <tr key={assumption.name} className="border-b border-hair align-top">
              <td className="py-2 pr-3">
                {assumption.label}
                <span className="block text-note text-soft">
                  [{assumption.mark}] {assumption.why}
                </span>
              </td>
              <td className="py-2 font-bold">
                {assumption.value ? <Figure value={assumption.value} /> : assumption.option}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {shown.assumptions.length === 0 && <p>None: every figure was entered.</p>}
    </Panel>
  );
}
