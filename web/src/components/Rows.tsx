import type { ReactNode } from "react";
import { Link } from "react-router";
import { useCatalogue } from "@/api/queries";
import { usePanel } from "@/lib/address";
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
  if (rows.length === 0) return null;
  return (
    <section className="mb-6 scroll-mt-16 break-inside-avoid" aria-label={group.title}>
      <div className="mb-1 flex flex-wrap items-baseline justify-between gap-x-3 border-b border-ink pb-1">
        <h2 className="text-head font-bold">{group.title}</h2>
        <Shelves group={group} />
      </div>
      {rows.map((name) => children?.(name) ?? <Row key={name} name={name} />)}
    </section>
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
