import { useState } from "react";
import { Panel } from "@/components/Panel";
import { KEYS, keysOn, OTHER_KEYS, setKeysOn } from "@/lib/keys";

/** The key map, to be looked up and switched off. */
export function KeysPanel({ onClose }: { onClose: () => void }) {
  const [on, setOn] = useState(keysOn);
  return (
    <Panel title="Keys" onClose={onClose}>
      <label className="flex min-h-9 items-center gap-2 font-semibold">
        <input
          type="checkbox"
          className="size-5 accent-now"
          checked={on}
          onChange={(event) => {
            setKeysOn(event.target.checked);
            setOn(event.target.checked);
          }}
        />
        Single keys work while no field is typed in
      </label>
      <table className="mt-3 w-full">
        <tbody>
          {[...KEYS, ...OTHER_KEYS].map(({ key, says }) => (
            <tr key={key} className="border-t border-hair">
              <th scope="row" className="w-24 py-1.5 text-left">
                <kbd className="figure rounded-cut border border-ink px-2 py-0.5">{key}</kbd>
              </th>
              <td>{says}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}
