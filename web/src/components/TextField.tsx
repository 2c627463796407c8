import { useId } from "react";
import type { Field, InputInfo } from "@/api/client";
import { useJobEditor } from "@/lib/useJobEditor";

type Props = { info: InputInfo; field: Field; lines?: number };

/** Words: a name, a vehicle, notes. */
export function TextField({ info, field, lines = 1 }: Props) {
  const editor = useJobEditor();
  const id = useId();
  const draft = editor.drafts[info.name];
  const props = {
    id,
    value: draft ?? field.typed ?? "",
    placeholder: info.meaning,
    onBlur: () => editor.enter(info.name),
    className: `mt-1 w-full rounded-cut border px-3 py-2 placeholder:text-soft placeholder:italic ${
      draft !== undefined ? "border-now bg-now-wash" : "border-line bg-sheet hover:border-ink"
    }`,
  };
  return (
    <div className="py-2" data-row={info.name}>
      <label htmlFor={id} className="block text-body font-semibold">
        {info.label}
      </label>
      {lines > 1 ? (
        <textarea {...props} rows={lines} onChange={(event) => editor.type(info.name, event.target.value)} />
      ) : (
        <input
          {...props}
          onChange={(event) => editor.type(info.name, event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && editor.enter(info.name)}
        />
      )}
      {field.problem && <p className="text-note font-semibold">▲ {field.problem}</p>}
      {field.question && draft === undefined && (
        <div className="pt-1">
          <p className="text-note font-semibold">
            <span aria-hidden="true">? </span>
            {field.question.sentence}
          </p>
          {field.question.instead.map((typed) => (
            <button
              key={typed}
              type="button"
              className="button mr-2 mt-1 min-h-11"
              onClick={() => editor.actions.put([{ quantity: info.name, typed }])}
            >
              Yes, {typed}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
