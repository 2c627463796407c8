import type { ReactNode } from "react";
import { useCatalogue } from "@/api/queries";
import type { Group } from "@/lib/groups";
import { useDesk } from "@/lib/useDesk";
import { Choice } from "./Choice";
import { NumberField } from "./NumberField";
import { TextField } from "./TextField";

/** One quantity as a row: a choice, a figure or words. Curves bring their own row. */
export function Row({ name, lines = 1 }: { name: string; lines?: number }) {
  const desk = useDesk();
  const catalogue = useCatalogue();
  if (desk.picked(name)) return <Choice name={name} />;
  const info = catalogue.data?.inputs.find((input) => input.name === name);
  const field = desk.field(name);
  if (!info || !field || info.kind === "curve") return null;
  if (info.kind === "text") return <TextField info={info} field={field} lines={lines} />;
  return <NumberField info={info} field={field} />;
}

type Props = { group: Group; children?: (name: string) => ReactNode };

/** The rows of a group that the arrangement asks for, under the group's heading. */
export function Rows({ group, children }: Props) {
  const desk = useDesk();
  const rows = group.rows.filter((name) => desk.picked(name) || desk.field(name));
  if (rows.length === 0) return null;
  return (
    <section className="mb-6 break-inside-avoid" aria-label={group.title}>
      <h2 className="mb-1 border-b border-ink pb-1 text-head font-bold">{group.title}</h2>
      {rows.map((name) => children?.(name) ?? <Row key={name} name={name} />)}
    </section>
  );
}
