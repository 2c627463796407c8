import { type ReactNode, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useCatalogue } from "@/api/queries";
import { usePanel } from "@/lib/address";
import { everythingShown, foldable } from "@/lib/folds";
import { type Group, slotsOf } from "@/lib/groups";
import { useJobEditor } from "@/lib/useJobEditor";
import { Choice } from "./Choice";
import { NumberField } from "./NumberField";
import { TextField } from "./TextField";

/** One quantity as a row: a choice, a figure or words. Curves bring their own row. */
export function Row({ name, lines = 1 }: { name: string; lines?: number }) {
  const editor = useJobEditor();
  const catalogue = useCatalogue();
  if (editor.picked(name)) return <Choice name={name} />;
  const info = catalogue.data?.inputs.find((input) => input.name === name);
  const field = editor.field(name);
  if (!info || !field || info.kind === "curve") return null;
  if (info.kind === "text") return <TextField info={info} field={field} lines={lines} />;
  return <NumberField info={info} field={field} />;
}

type Props = { group: Group; children?: (name: string) => ReactNode };

/** The rows of a group that the arrangement asks for, under the group's heading. */
export function Rows({ group, children }: Props) {
  const editor = useJobEditor();
  const rows = group.rows.filter((name) => editor.picked(name) || editor.field(name));
  const folded = useFolded(rows);
  if (rows.length === 0) return null;
  return (
    <section className="mb-6 scroll-mt-16 break-inside-avoid" aria-label={group.title}>
      <div className="mb-1 flex flex-wrap items-baseline justify-between gap-x-3 border-b border-ink pb-1">
        <h2 className="text-head font-bold">{group.title}</h2>
        <Shelves group={group} />
      </div>
      {rows
        .filter((name) => !folded.names.includes(name))
        .map((name) => children?.(name) ?? <Row key={name} name={name} />)}
      {folded.names.length > 0 && <Folded names={folded.names} onOpen={folded.open} />}
    </section>
  );
}

/** The figures of a group that are taken as usual and nobody touched: folded until they are asked for. What was on
 *  screen once stays, so that nothing moves under a hand. */
function useFolded(rows: readonly string[]): { names: readonly string[]; open: () => void } {
  const editor = useJobEditor();
  const [search] = useSearchParams();
  const [opened, setOpened] = useState(everythingShown);
  const seen = useRef(new Set<string>());
  const choices = useCatalogue().data?.choices;
  const small = (name: string) => choices?.find((choice) => choice.name === name)?.small;
  const look = (name: string) => {
    const picked = editor.picked(name);
    return picked ? { mark: picked.begun && small(name) ? "assumed" : "" } : editor.field(name);
  };
  const names = opened ? [] : foldable(rows, look, seen.current);
  const asked = search.get("field");
  const open = () => setOpened(true);
  if (asked !== null && names.includes(asked)) open();
  for (const name of rows) if (!names.includes(name)) seen.current.add(name);
  return { names, open };
}

function Folded({ names, onOpen }: { names: readonly string[]; onOpen: () => void }) {
  const catalogue = useCatalogue().data;
  const known = [...(catalogue?.inputs ?? []), ...(catalogue?.choices ?? [])];
  const label = (name: string) => known.find((each) => each.name === name)?.label ?? name;
  return (
    <button type="button" className="w-full py-1.5 text-left text-note text-soft" onClick={onOpen}>
      <span className="plain-link">{names.length} more, taken as usual</span>:{" "}
      {names.slice(0, 4).map(label).join(", ")}
      {names.length > 4 && " …"}
    </button>
  );
}

/** Ways to the shelf for what brings the figures of a group; the part taken is named. */
function Shelves({ group }: { group: Group }) {
  const editor = useJobEditor();
  const panel = usePanel();
  const catalogue = useCatalogue();
  const slots = slotsOf(catalogue.data, group, editor.shown.layout);
  if (slots.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-x-3 text-note">
      {slots.map((slot) => {
        const label = catalogue.data?.inputs.find((i) => i.name === `${slot}_part`)?.label ?? slot;
        const taken = editor.field(`${slot}_part`)?.typed;
        return (
          <Link key={slot} className="plain-link inline-block min-h-6" to={panel({ shelf: slot })} replace>
            {taken ?? `${label} from the shelf`}
          </Link>
        );
      })}
    </p>
  );
}
