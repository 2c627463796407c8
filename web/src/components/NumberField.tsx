import { memo, useId } from "react";
import type { Field, InputInfo } from "@/api/client";
import { first, second } from "@/lib/units";
import { type FieldActions, useJobEditor } from "@/lib/useJobEditor";
import { whole } from "@/lib/words";
import { Figure } from "./Figure";

type Props = { info: InputInfo; field: Field };
type BodyProps = Props & { draft: string | undefined; actions: FieldActions };

/** A figure as typed on the bench, with what it was read as below it. */
export function NumberField({ info, field }: Props) {
  const editor = useJobEditor();
  return <Body info={info} field={field} draft={editor.drafts[info.name]} actions={editor.actions} />;
}

/** Drawn again only when what it shows has changed: a page of fields must not slow down the one being typed in. */
const Body = memo(NumberFieldBody, (before, now) => {
  const { field, ...rest } = now;
  return (
    before.info === rest.info &&
    before.draft === rest.draft &&
    before.actions === rest.actions &&
    (before.field === field || JSON.stringify(before.field) === JSON.stringify(field))
  );
});

function NumberFieldBody({ info, field, draft, actions }: BodyProps) {
  const id = useId();
  const typed = draft ?? field.typed ?? "";
  const assumed = field.mark === "assumed" && !typed && field.value ? whole(first(field.value)) : null;
  const changing = draft !== undefined;
  const bare = typed === "" || /[\d.,½¼¾⅛⅜⅝⅞]\s*$/.test(typed);
  return (
    <div
      className="grid grid-cols-[1fr_12.5rem] items-center gap-x-3 py-1.5"
      data-row={info.name}
      data-mark={field.mark}
    >
      <label htmlFor={id} className="font-semibold leading-tight" title={info.meaning}>
        {info.label}
      </label>
      <div className="relative">
        <input
          id={id}
          name={field.name}
          value={typed}
          placeholder={assumed ?? "not entered"}
          autoComplete="off"
          spellCheck={false}
          aria-invalid={field.problem ? true : undefined}
          aria-describedby={`${id}-says`}
          onChange={(event) => actions.type(info.name, event.target.value)}
          onBlur={() => actions.enter(info.name)}
          onKeyDown={(event) => {
            if (event.key === "Enter") actions.enter(info.name);
            if (event.key === "Escape" && changing) {
              event.stopPropagation();
              actions.drop(info.name);
            }
          }}
          className={`figure h-11 w-full rounded-cut border px-3 text-field placeholder:text-soft placeholder:italic ${
            changing ? "border-now bg-now-wash" : "border-line bg-sheet hover:border-ink"
          } ${field.problem ? "border-2 border-ink" : ""}`}
        />
        {bare && info.field_unit && !assumed && (
          <span className="pointer-events-none absolute inset-y-0 right-3 flex items-center text-note text-soft">
            {info.field_unit}
          </span>
        )}
      </div>
      <div
        id={`${id}-says`}
        className="col-span-2 mt-0.5 min-h-[1.1rem] text-right text-note"
        aria-live="polite"
      >
        <Says info={info} field={field} changing={changing} actions={actions} />
      </div>
    </div>
  );
}

function Says({ info, field, changing, actions }: Props & { changing: boolean; actions: FieldActions }) {
  if (field.problem) {
    return (
      <p className="text-left font-semibold">
        <span aria-hidden="true">▲ </span>
        {field.problem}
      </p>
    );
  }
  if (field.question) {
    const { sentence, instead } = field.question;
    return (
      <div className="text-left">
        <p className="text-left font-semibold">
          <span aria-hidden="true">? </span>
          {sentence}
        </p>
        {instead.map((typed) => (
          <button
            key={typed}
            type="button"
            className="button mr-2 mt-1"
            onClick={() => {
              actions.drop(info.name);
              actions.put([{ quantity: info.name, typed }]);
            }}
          >
            Read it as {typed}
          </button>
        ))}
      </div>
    );
  }
  if (field.mark === "assumed") {
    const other = field.value && second(field.value);
    return (
      <p className="text-left leading-tight text-soft">
        <span className="font-semibold">assumed</span> [{field.source}]{other && ` ${whole(other)};`}{" "}
        {field.why}
      </p>
    );
  }
  if (!field.value) return <p className="text-left text-soft">{info.meaning}</p>;
  if (info.units.length === 0) return null;
  return (
    <p className={changing ? "text-now" : "text-soft"}>
      {changing ? "reads " : "= "}
      <Figure value={field.value} />
    </p>
  );
}
