import { Dialog } from "radix-ui";
import { useState } from "react";
import { type ColumnMapping, type Proposal, queries } from "@/api/client";
import { Figure } from "@/components/Figure";
import { CurvePreview, HowRead, Runs } from "./MappingParts";

type Role = "speed" | "torque" | "power" | "force" | "road";
const ROLES: { role: Role; label: string; wanted: string }[] = [
  { role: "speed", label: "Engine speed", wanted: "needed" },
  { role: "torque", label: "Torque", wanted: "or power" },
  { role: "power", label: "Power", wanted: "or torque" },
  { role: "force", label: "Tractive force", wanted: "with road speed" },
  { role: "road", label: "Road speed", wanted: "with tractive force" },
];
/** Roles that only few files have: shown where the file has such a column. */
const RARE = new Set<Role>(["force", "road"]);

/** A choice of the job that a file speaks of: what it is now, and what else it may be. */
export type Spoken = {
  name: string;
  label: string;
  option: string;
  options: { value: string; label: string }[];
};

type Props = {
  proposal: Proposal;
  /** Class whose engine the peak is held against; empty where none was said. */
  vehicleClass: string;
  /** What the file says of where and how its figures were taken, as the job's own choices. */
  spoken: Spoken[];
  onTake: (mapping: ColumnMapping, picked: Record<string, string>) => void;
  onCancel: () => void;
};

export const FIELD = "h-11 w-full rounded-cut border border-line bg-paper px-2";
const select = FIELD;

/** How a file is read, shown on its own first rows, to be confirmed. */
export function MappingSheet({ proposal, vehicleClass, spoken, onTake, onCancel }: Props) {
  const [mapping, setMapping] = useState<ColumnMapping>(proposal.mapping);
  const [picked, setPicked] = useState(() => Object.fromEntries(spoken.map((s) => [s.name, s.option])));
  const read = queries.useQuery(
    "post",
    "/api/curves/read",
    { body: { name: proposal.name, text: proposal.text, mapping, vehicle_class: vehicleClass } },
    { retry: false, gcTime: 0 },
  );
  const put = (change: Partial<ColumnMapping>) => setMapping({ ...mapping, ...change });
  return (
    <Dialog.Root open modal={false} onOpenChange={(open) => !open && onCancel()}>
      <Dialog.Portal>
        <div className="fixed inset-0 z-30 bg-paper/70" />
        <Dialog.Content
          aria-describedby={undefined}
          onInteractOutside={(event) => event.preventDefault()}
          className="framed fixed left-1/2 top-1/2 z-30 max-h-[94vh] w-[min(56rem,96vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto bg-sheet p-6"
        >
          <Dialog.Title className="text-head font-bold">
            How is <span className="figure">{proposal.name}</span> to be read?
          </Dialog.Title>
          {proposal.questions.map((question) => (
            <p key={question} className="mt-2 font-semibold">
              ? {question}
            </p>
          ))}
          {(proposal.reference || proposal.corrected) && (
            <p className="mt-2">
              The file speaks of{" "}
              {[
                proposal.reference && `the ${proposal.reference}`,
                proposal.corrected && `a correction to standard air (${proposal.corrected})`,
              ]
                .filter(Boolean)
                .join(" and of ")}
              ; that is picked here, and goes into the job with the file.
            </p>
          )}
          {spoken.length > 0 && (
            <div className="mt-2 grid gap-4 tablet:grid-cols-2">
              {spoken.map(({ name, label, options }) => (
                <label key={name} className="font-semibold">
                  {label}
                  <select
                    className={`${select} mt-1 font-normal`}
                    value={picked[name]}
                    onChange={(event) => setPicked({ ...picked, [name]: event.target.value })}
                  >
                    {options.map((option) => (
                      <option key={option.value} value={option.value}>
                        {option.label}
                      </option>
                    ))}
                  </select>
                </label>
              ))}
            </div>
          )}
          <Runs proposal={proposal} mapping={mapping} onPick={(run) => setMapping(run)} />
          <div aria-live="polite" className="mt-3 min-h-36 border-y border-hair py-2">
            {read.isLoading && <p className="text-soft">Reading its rows …</p>}
            {read.error && <p className="font-semibold">▲ {read.error.message}</p>}
            {read.data && (
              <>
                <p>
                  <span className="font-bold">{read.data.points} points.</span> Peak torque{" "}
                  <Figure value={read.data.peak_torque} /> at <Figure value={read.data.peak_torque_speed} />,
                  peak power <Figure value={read.data.peak_power} /> at{" "}
                  <Figure value={read.data.peak_power_speed} />.
                </p>
                <CurvePreview curve={read.data.curve} />
                {read.data.asks.map((ask) => (
                  <p key={ask} className="mt-2 font-semibold">
                    ? {ask}
                  </p>
                ))}
                {read.data.asks.length > 0 && (
                  <label className="flex min-h-11 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-5"
                      checked={mapping.sure ?? false}
                      onChange={(event) => put({ sure: event.target.checked })}
                    />
                    It is so
                  </label>
                )}
                {read.data.notes.map((note) => (
                  <p key={note} className="text-note text-soft">
                    {note}
                  </p>
                ))}
              </>
            )}
          </div>
          <div className="mt-4 grid gap-4 tablet:grid-cols-3">
            {ROLES.filter(({ role }) => !RARE.has(role) || proposal.mapping[role] != null).map(
              ({ role, label, wanted }) => (
                <fieldset key={role}>
                  <legend className="font-semibold">
                    {label} <span className="text-note font-normal text-soft">{wanted}</span>
                  </legend>
                  <select
                    aria-label={`${label}: column`}
                    className={`${select} mt-1`}
                    value={mapping[role] ?? ""}
                    onChange={(e) => put({ [role]: e.target.value === "" ? null : Number(e.target.value) })}
                  >
                    <option value="">no such column</option>
                    {proposal.columns.map((column) => (
                      <option key={column.index} value={column.index}>
                        {column.index + 1}: {column.heading || "without heading"}
                      </option>
                    ))}
                  </select>
                  <select
                    aria-label={`${label}: unit`}
                    className={`${select} mt-2`}
                    value={mapping[`${role}_unit`] ?? ""}
                    disabled={mapping[role] == null}
                    onChange={(e) => put({ [`${role}_unit`]: e.target.value })}
                  >
                    <option value="">which unit?</option>
                    {(proposal.units[role] ?? []).map((unit) => (
                      <option key={unit}>{unit}</option>
                    ))}
                  </select>
                </fieldset>
              ),
            )}
          </div>
          <HowRead mapping={mapping} onChange={put} />
          <Preview proposal={proposal} mapping={mapping} onDecimal={(decimal) => put({ decimal })} />
          <div className="sticky -bottom-6 -mx-6 mt-4 flex gap-3 border-t border-ink bg-sheet px-6 py-3">
            <button
              type="button"
              className="button h-11"
              disabled={!read.data || (read.data.asks.length > 0 && !mapping.sure)}
              onClick={() => onTake(mapping, picked)}
            >
              Take this curve
            </button>
            <button type="button" className="button h-11" onClick={onCancel}>
              Leave it
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

type PreviewProps = { proposal: Proposal; mapping: ColumnMapping; onDecimal: (decimal: "." | ",") => void };

function Preview({ proposal, mapping, onDecimal }: PreviewProps) {
  const roleOf = (index: number) => ROLES.find(({ role }) => mapping[role] === index);
  return (
    <div className="mt-4 overflow-x-auto">
      <table className="w-full">
        <caption className="pb-1 text-left text-note text-soft">
          The first rows, from line {mapping.first_row}.{" "}
          {mapping.delimiter !== "," && (
            <label className="ml-2">
              Decimal mark{" "}
              <select
                className="rounded-cut border border-line bg-paper px-1"
                value={mapping.decimal}
                onChange={(event) => onDecimal(event.target.value === "," ? "," : ".")}
              >
                <option value=".">point</option>
                <option value=",">comma</option>
              </select>
            </label>
          )}
        </caption>
        <thead>
          <tr className="border-b border-ink text-left">
            {proposal.columns.map((column) => (
              <th key={column.index} className="py-1 pr-4 font-normal">
                {column.heading || `column ${column.index + 1}`}
                <span className="block font-bold text-now">{roleOf(column.index)?.label ?? "\u00a0"}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="figure">
          {proposal.preview.map((cells) => (
            <tr key={cells.join("|")} className="border-b border-hair">
              {proposal.columns.map((column) => (
                <td
                  key={column.index}
                  className={roleOf(column.index) ? "py-0.5 pr-4" : "py-0.5 pr-4 text-soft"}
                >
                  {cells[column.index]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
