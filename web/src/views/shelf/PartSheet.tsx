import { useState } from "react";
import type { Part, Shelf } from "@/api/client";
import { useCatalogue } from "@/api/queries";
import { useChangePart } from "@/api/shelf";
import { Panel } from "@/components/Panel";

type Props = {
  shelf: Shelf;
  part: Part | null;
  slot: string;
  copy: boolean;
  onClose: () => void;
  onCopy: () => void;
  onUndo: (turn: { says: string; turn: () => void } | null) => void;
};

const box = "h-11 w-full rounded-cut border border-line bg-paper px-3";

/** One part: its maker's sheet as fields. Jobs that took it keep what they took. */
export function PartSheet({ shelf, part, slot, copy, onClose, onCopy, onUndo }: Props) {
  const catalogue = useCatalogue();
  const change = useChangePart();
  const kind = part?.slot ?? slot;
  const id = copy ? null : (part?.id ?? null);
  const [name, setName] = useState(part ? (copy ? `${part.name}, copy` : part.name) : "");
  const [price, setPrice] = useState(part?.price ? String(part.price) : "");
  const [source, setSource] = useState(part?.source ?? "");
  const [notes, setNotes] = useState(part?.notes ?? "");
  const [values, setValues] = useState<Record<string, string>>(part?.values ?? {});
  const info = shelf.slots.find((s) => s.slot === kind);
  const priced = Number(price.replace(",", ".") || "0");
  const keep = () =>
    change.mutate(
      {
        id,
        part: { slot: kind, name, price: Number.isFinite(priced) ? priced : 0, source, notes, values },
      },
      {
        onSuccess: (now) => {
          const before = part;
          onUndo({
            says: id === null ? `${now.name} is on the shelf.` : `${now.name} is changed.`,
            turn: () =>
              id === null || before === null
                ? change.mutate({ id: now.id, archived: true })
                : change.mutate({ id: before.id, part: { ...before } }),
          });
          onClose();
        },
      },
    );
  return (
    <Panel
      title={part ? (copy ? `Copy of ${part.name}` : part.name) : `New ${info?.label.toLowerCase()}`}
      onClose={onClose}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <Line label="Name">
          <input className={box} value={name} onChange={(event) => setName(event.target.value)} required />
        </Line>
        {info?.quantities.map((quantity) => {
          const choice = catalogue.data?.choices.find((c) => c.name === quantity);
          const input = catalogue.data?.inputs.find((i) => i.name === quantity);
          const value = values[quantity] ?? "";
          const put = (typed: string) => setValues({ ...values, [quantity]: typed });
          return (
            <Line key={quantity} label={choice?.label ?? input?.label ?? quantity}>
              {choice ? (
                <select className={box} value={value} onChange={(event) => put(event.target.value)}>
                  <option value="">not stated</option>
                  {choice.options.map((option) => (
                    <option key={option.value} value={option.value}>
                      {option.label}
                    </option>
                  ))}
                </select>
              ) : (
                <input
                  className={`${box} figure`}
                  value={value}
                  placeholder={input?.field_unit ? `not stated, ${input.field_unit}` : "not stated"}
                  onChange={(event) => put(event.target.value)}
                  autoComplete="off"
                />
              )}
            </Line>
          );
        })}
        <Line label="Price">
          <input
            className={`${box} figure`}
            value={price}
            onChange={(event) => setPrice(event.target.value)}
          />
        </Line>
        <Line label="Where the figures come from">
          <input className={box} value={source} onChange={(event) => setSource(event.target.value)} />
        </Line>
        <Line label="Notes">
          <textarea
            className="w-full rounded-cut border border-line bg-paper px-3 py-2"
            rows={3}
            value={notes}
            onChange={(event) => setNotes(event.target.value)}
          />
        </Line>
        {change.error && (
          <p role="alert" className="mt-2 font-semibold">
            ▲ {change.error.message}
          </p>
        )}
        <p className="sticky bottom-0 mt-3 flex flex-wrap gap-3 bg-sheet py-3">
          <button type="submit" className="button" disabled={change.isPending}>
            {id === null ? "Put on the shelf" : "Keep these figures"}
          </button>
          {part && !copy && (
            <button type="button" className="button" onClick={onCopy}>
              Copy as a new part
            </button>
          )}
        </p>
      </form>
    </Panel>
  );
}

const Line = ({ label, children }: { label: string; children: React.ReactNode }) => (
  // biome-ignore lint/a11y/noLabelWithoutControl: the control is its child
  <label className="grid grid-cols-[1fr_15rem] items-center gap-3 py-1">
    <span className="font-semibold leading-tight">{label}</span>
    {children}
  </label>
);
