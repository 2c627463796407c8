import { useState } from "react";
import { type Part, Refusal, type Shelf } from "@/api/client";
import { useCatalogue } from "@/api/queries";
import { useChangePart } from "@/api/shelf";
import { Panel } from "@/components/Panel";
import { useSays } from "./useSays";

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
  // what was seen when the sheet was opened: a newer one that comes in meanwhile is not what he is replacing
  const [seen, setSeen] = useState(part?.version ?? 0);
  const said = { slot: kind, name, price: Number.isFinite(priced) ? priced : 0, source, notes, values };
  const says = useSays();
  const other = standing(change.error);
  const takeOther = () => {
    if (!other) return;
    setSeen(other.version);
    setName(other.name);
    setPrice(other.price ? String(other.price) : "");
    setSource(other.source);
    setNotes(other.notes);
    setValues(other.values);
    change.reset();
  };
  const keep = (version = seen) =>
    change.mutate(id === null ? { id, part: said } : { id, version, part: said }, {
      onSuccess: (now) => {
        const before = part;
        onUndo({
          says: id === null ? `${now.name} is on the shelf.` : `${now.name} is changed.`,
          turn: () => {
            const at = { id: now.id, version: now.version };
            if (id === null || before === null) return change.mutate({ ...at, archived: true });
            const { id: _, version: __, ...was } = before;
            change.mutate({ ...at, part: was });
          },
        });
        onClose();
      },
    });
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
          <div role="alert" className="mt-2 border-l-4 border-now pl-3">
            <p className="font-semibold">▲ {change.error.message}</p>
            {other && (
              <>
                <p className="py-1">
                  It now says:{" "}
                  {[other.name, says(other.values), other.price, other.source, other.notes]
                    .filter(Boolean)
                    .join(" · ")}
                </p>
                <p className="flex flex-wrap gap-2 py-1">
                  <button type="button" className="button min-h-11" onClick={takeOther}>
                    Take what it says now
                  </button>
                  <button type="button" className="button min-h-11" onClick={() => keep(other.version)}>
                    Put mine in its place
                  </button>
                </p>
              </>
            )}
          </div>
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

/** What another tab has made of the part meanwhile, where that is why it was refused. */
function standing(error: unknown): (Omit<Part, "id" | "slot"> & { version: number }) | null {
  if (!(error instanceof Refusal) || error.newest === null) return null;
  return { ...(error.stands as Omit<Part, "id" | "slot" | "version">), version: error.newest };
}

const Line = ({ label, children }: { label: string; children: React.ReactNode }) => (
  // biome-ignore lint/a11y/noLabelWithoutControl: the control is its child
  <label className="grid grid-cols-[1fr_15rem] items-center gap-3 py-1">
    <span className="font-semibold leading-tight">{label}</span>
    {children}
  </label>
);
