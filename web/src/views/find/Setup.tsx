import { useState } from "react";
import type { Catalogue, FindIn, Shelf } from "@/api/client";
import { counted } from "@/lib/finder";
import { first } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";

type Free = FindIn["free"] extends (infer T)[] | undefined ? T : never;
type Props = {
  catalogue: Catalogue;
  shelf: Shelf;
  running: boolean;
  onStart: (body: FindIn) => void;
  onCancel: () => void;
};

/** What may vary: parts of the shelf by kind, and figures left free between two ends. */
export function Setup({ catalogue, shelf, running, onStart, onCancel }: Props) {
  const editor = useJobEditor();
  const layout = editor.shown.layout;
  const searched = catalogue.slots.filter((slot) => slot.searched.includes(layout));
  const kinds = searched.flatMap(({ name: slot }) => {
    const parts = shelf.parts.filter((part) => part.slot === slot);
    return parts.length > 0 ? [{ slot, parts }] : [];
  });
  const [picked, setPicked] = useState<Record<string, number[]>>(() =>
    Object.fromEntries(
      searched
        .filter((slot) => slot.first)
        .map(({ name }) => [name, shelf.parts.filter((part) => part.slot === name).map((part) => part.id)]),
    ),
  );
  const [free, setFree] = useState<Free[]>([]);
  const [allFour, setAllFour] = useState(true);
  const total =
    kinds.reduce((product, { slot }) => product * Math.max(picked[slot]?.length ?? 0, 1), 1) *
    free.reduce((product, f) => product * (f.steps + 1), 1);
  const anything = kinds.some(({ slot }) => (picked[slot]?.length ?? 0) > 0) || free.length > 0;
  const label = (name: string) => catalogue.inputs.find((i) => i.name === name)?.label ?? name;
  const offered = catalogue.inputs
    .filter(({ name, searched }) => searched && editor.field(name) && !free.some((f) => f.quantity === name))
    .map(({ name }) => name);
  return (
    <section aria-label="To be swept">
      <h2 className="border-b border-ink pb-1 text-head font-bold">What may vary</h2>
      {shelf.count > shelf.parts.length && (
        <p className="py-2 text-note font-semibold">
          ▲ Of {counted(shelf.count)} parts the first {counted(shelf.parts.length)} can be ticked here.
        </p>
      )}
      {kinds.map(({ slot, parts }) => {
        const mine = picked[slot] ?? [];
        const title = shelf.slots.find((kind) => kind.slot === slot)?.label ?? slot;
        return (
          <details key={slot} className="border-b border-hair">
            <summary className="flex min-h-10 items-center justify-between gap-2">
              <span className="font-semibold">{title}</span>
              <span className="text-note text-soft">
                {mine.length === 0 ? "stays as it is" : `${mine.length} of ${parts.length}`}
              </span>
            </summary>
            <p className="flex gap-4 text-note">
              <button
                type="button"
                className="plain-link min-h-6"
                onClick={() => setPicked({ ...picked, [slot]: parts.map((p) => p.id) })}
              >
                all
              </button>
              <button
                type="button"
                className="plain-link min-h-6"
                onClick={() => setPicked({ ...picked, [slot]: [] })}
              >
                none
              </button>
            </p>
            <ul className="pb-2">
              {parts.map((part) => (
                <li key={part.id}>
                  <label className="flex min-h-8 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-4 accent-now"
                      checked={mine.includes(part.id)}
                      onChange={(event) =>
                        setPicked({
                          ...picked,
                          [slot]: event.target.checked
                            ? [...mine, part.id]
                            : mine.filter((id) => id !== part.id),
                        })
                      }
                    />
                    {part.name}
                  </label>
                </li>
              ))}
            </ul>
          </details>
        );
      })}
      <h3 className="mt-4 font-semibold">Figures left free</h3>
      {free.map((f, i) => {
        const put = (change: Partial<Free>) =>
          setFree(free.map((old, j) => (i === j ? { ...old, ...change } : old)));
        return (
          <fieldset key={f.quantity} className="grid grid-cols-[1fr_1fr_4rem_auto] items-end gap-1.5 py-1">
            <legend className="text-note">{label(f.quantity)}</legend>
            <Box label={`${label(f.quantity)} from`} value={f.start} onValue={(start) => put({ start })} />
            <Box label={`${label(f.quantity)} to`} value={f.end} onValue={(end) => put({ end })} />
            <Box
              label={`${label(f.quantity)} steps`}
              value={String(f.steps)}
              onValue={(steps) =>
                put({ steps: Math.min(Math.max(Number.parseInt(steps, 10) || 1, 1), 1000) })
              }
            />
            <button
              type="button"
              className="plain-link min-h-9 text-note"
              aria-label={`${label(f.quantity)} stays as it is`}
              onClick={() => setFree(free.filter((_, j) => i !== j))}
            >
              drop
            </button>
          </fieldset>
        );
      })}
      {free.length < 4 && offered.length > 0 && (
        <select
          aria-label="Leave a figure free"
          value=""
          onChange={(event) => {
            const name = event.target.value;
            const now = editor.field(name)?.value;
            const unit =
              (now && first(now).unit) ?? catalogue.inputs.find((i) => i.name === name)?.field_unit ?? "";
            const middle = Number.parseFloat((now ? first(now).figure : "").replace(/\s/g, "")) || 1;
            const end = (factor: number) => `${Number((middle * factor).toPrecision(3))} ${unit}`.trim();
            setFree([...free, { quantity: name, start: end(0.8), end: end(1.25), steps: 20 }]);
          }}
          className="mt-1 h-10 w-full rounded-cut border border-line bg-sheet px-2"
        >
          <option value="">leave a figure free …</option>
          {offered.map((name) => (
            <option key={name} value={name}>
              {label(name)}
            </option>
          ))}
        </select>
      )}
      <label className="mt-3 flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-now"
          checked={allFour}
          onChange={(event) => setAllFour(event.target.checked)}
        />
        Only what is good in all four answers
      </label>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        {running ? (
          <button type="button" className="button" onClick={onCancel}>
            Stop the search
          </button>
        ) : (
          <button
            type="button"
            className="button"
            disabled={!anything}
            onClick={() =>
              onStart({
                slots: Object.fromEntries(Object.entries(picked).filter(([, ids]) => ids.length > 0)),
                free,
                all_four: allFour,
              })
            }
          >
            Find
          </button>
        )}
        <p className="text-note" data-testid="combinations">
          {counted(total)} {total === 1 ? "combination" : "combinations"}
        </p>
      </div>
    </section>
  );
}

const Box = ({
  label,
  value,
  onValue,
}: {
  label: string;
  value: string;
  onValue: (value: string) => void;
}) => (
  <input
    aria-label={label}
    value={value}
    onChange={(event) => onValue(event.target.value)}
    className="figure h-9 w-full rounded-cut border border-line bg-sheet px-2"
  />
);
