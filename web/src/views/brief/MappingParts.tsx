import { useState } from "react";
import type { ColumnMapping, CurveRead, Proposal } from "@/api/client";
import { Figure } from "@/components/Figure";
import { leftOut, linesOf } from "@/lib/leftOut";

const FIELD = "h-11 w-full rounded-cut border border-line bg-paper px-2";
type Change = Partial<ColumnMapping>;

/** The runs of a file that holds several, each with its peak. */
export function Runs({
  proposal,
  mapping,
  onPick,
}: {
  proposal: Proposal;
  mapping: ColumnMapping;
  onPick: (mapping: ColumnMapping) => void;
}) {
  if (proposal.runs.length === 0) return null;
  const same = (run: ColumnMapping) =>
    run.run === mapping.run && run.torque === mapping.torque && run.power === mapping.power;
  return (
    <fieldset className="mt-3" data-testid="runs">
      <legend className="font-semibold">Which run</legend>
      {proposal.runs.map((run) => (
        <label key={run.label} className="flex min-h-11 items-center gap-3">
          <input
            type="radio"
            name="run"
            className="size-5 accent-now"
            checked={same(run.mapping)}
            onChange={() => onPick(run.mapping)}
          />
          <span>
            {run.label}
            {run.peak_torque && run.peak_torque_speed ? (
              <span className="text-soft">
                , peak <Figure value={run.peak_torque} /> at <Figure value={run.peak_torque_speed} />
              </span>
            ) : (
              <span className="text-soft">, cannot be read as it stands</span>
            )}
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** What else a file may need said: its sweep, rows that are no part of it, what counts, how it was geared. */
export function HowRead({
  mapping,
  onChange,
}: {
  mapping: ColumnMapping;
  onChange: (change: Change) => void;
}) {
  const [rows, setRows] = useState(leftOut(mapping.leave_out ?? []));
  const geared = mapping.speed == null && mapping.force != null;
  return (
    <div className="mt-3 grid gap-x-4 gap-y-2 tablet:grid-cols-3">
      <label className="flex min-h-11 items-center gap-2 self-end">
        <input
          type="checkbox"
          className="size-5"
          checked={mapping.sweep === "up"}
          onChange={(event) => onChange({ sweep: event.target.checked ? "up" : "all" })}
        />
        Only up to the highest speed
      </label>
      <label className="text-note">
        Leave out lines
        <input
          className={FIELD}
          value={rows}
          placeholder="31, 40-44"
          onChange={(event) => {
            setRows(event.target.value);
            onChange({ leave_out: linesOf(event.target.value) });
          }}
        />
      </label>
      <label className="text-note">
        Last line of the run
        <input
          className={FIELD}
          inputMode="numeric"
          value={mapping.last_row ?? ""}
          onChange={(event) => {
            const last = Number.parseInt(event.target.value, 10);
            onChange({ last_row: last > 0 ? last : null });
          }}
        />
      </label>
      {mapping.torque != null && mapping.power != null && (
        <label className="text-note">
          Where torque and power disagree
          <select
            className={FIELD}
            value={mapping.trust ?? ""}
            onChange={(event) =>
              onChange({ trust: event.target.value as NonNullable<ColumnMapping["trust"]> })
            }
          >
            <option value="">it is not taken</option>
            <option value="torque">the torque counts</option>
            <option value="power">the power counts</option>
          </select>
        </label>
      )}
      {geared && (
        <label className="text-note">
          Goes per 1000 rpm
          <input
            className={FIELD}
            value={mapping.gearing ?? ""}
            placeholder="32 km/h"
            onChange={(event) => onChange({ gearing: event.target.value })}
          />
        </label>
      )}
    </div>
  );
}

/** The curve as it is read: its shape tells a wrong column at a glance. */
export function CurvePreview({ curve }: { curve: CurveRead["curve"] }) {
  const [width, height] = [480, 96];
  const [low, high] = [Math.min(...curve.rpm), Math.max(...curve.rpm)];
  const most = Math.max(...curve.torque, 1e-9);
  const points = curve.rpm.map((rpm, i) => {
    const x = ((rpm - low) / Math.max(high - low, 1e-9)) * (width - 4) + 2;
    return `${x.toFixed(1)} ${(height - 2 - ((curve.torque[i] ?? 0) / most) * (height - 6)).toFixed(1)}`;
  });
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="mt-2 block h-24 w-full max-w-[30rem] border-b border-l border-ink"
      role="img"
      aria-label="Torque over engine speed as it is read"
      data-testid="curve-preview"
      preserveAspectRatio="none"
    >
      <path
        d={`M${points.join("L")}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
