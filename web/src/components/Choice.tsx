import { useId } from "react";
import { useCatalogue } from "@/api/queries";
import { useJobEditor } from "@/lib/useJobEditor";

/** A choice of the arrangement: what is picked decides which fields there are. */
export function Choice({ name }: { name: string }) {
  const editor = useJobEditor();
  const catalogue = useCatalogue();
  const id = useId();
  const info = catalogue.data?.choices.find((choice) => choice.name === name);
  const picked = editor.picked(name);
  if (!info || !picked) return null;
  const options = info.options.filter((o) => o.layouts.includes(editor.shown.layout));
  const option = editor.drafts[name] ?? picked.option;
  const chosen = options.find((o) => o.value === option);
  return (
    <div className="py-2" data-row={name}>
      <label htmlFor={id} className="block text-body font-semibold">
        {info.label}
      </label>
      <select
        id={id}
        name={name}
        value={option ?? ""}
        aria-describedby={`${id}-says`}
        onChange={(event) => editor.pick(name, event.target.value)}
        className="mt-1 h-11 w-full rounded-cut border border-line bg-sheet px-2 text-field hover:border-ink"
      >
        {(picked.option === null || picked.begun) && (
          <option value="" disabled={picked.begun} hidden={picked.begun}>
            choose …
          </option>
        )}
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </select>
      <p id={`${id}-says`} className="mt-1 min-h-[1.1rem] text-note text-soft">
        {chosen?.meaning ?? "Nothing is chosen yet."}
      </p>
    </div>
  );
}
