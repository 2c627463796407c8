import { useState } from "react";
import type { Check } from "@/api/client";
import { moment } from "@/lib/words";
import type { Send } from "./send";

type Shim = "" | "raises" | "lowers";

/** What belongs to a taking as a whole: the odometer, for a sweep how the dial was read, for a floater where shims sit. */
export function HowTaken({ check, send }: { check: Check; send: Send }) {
  const kept = check.distance ? `${check.distance.metric.figure} ${check.distance.metric.unit}` : "";
  const [distance, setDistance] = useState(kept);
  const [sag, setSag] = useState(check.settings.sag ?? "");
  const [trouble, setTrouble] = useState<string | null>(null);
  const swept = check.kind === "sweep";
  const seenFrom = check.settings.seen_from === "engine" ? "engine" : "gearbox";
  const plus = check.settings.presses_plus !== "no";
  const shim = (check.settings.shim ?? "") as Shim;
  const say = async (
    more: { seen_from?: "gearbox" | "engine"; presses_plus?: boolean; shim?: Shim } = {},
    begin = false,
  ) => {
    const body = {
      check: check.name,
      distance: begin ? "" : distance,
      seen_from: seenFrom,
      presses_plus: plus,
      sag,
      label: "",
      shim,
      ...more,
    } as const;
    setTrouble(await send(begin ? { begin: body } : { say: body }));
  };
  return (
    <div className="mt-3 border-t border-ink pt-2" data-testid="how-taken">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <label className="text-note font-semibold">
          Odometer
          <input
            value={distance}
            placeholder="km, not said"
            onChange={(event) => setDistance(event.target.value)}
            onBlur={() => distance !== kept && void say()}
            onKeyDown={(event) => event.key === "Enter" && void say()}
            className="figure block h-11 w-36 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
          />
        </label>
        {swept && (
          <>
            <label className="text-note font-semibold">
              Angles counted from
              <select
                value={seenFrom}
                onChange={(event) => void say({ seen_from: event.target.value as "gearbox" | "engine" })}
                className="block h-11 rounded-cut border border-line bg-sheet px-2"
              >
                <option value="gearbox">the gearbox side</option>
                <option value="engine">the engine side</option>
              </select>
            </label>
            <label className="text-note font-semibold">
              Plunger pressed in reads
              <select
                value={plus ? "plus" : "minus"}
                onChange={(event) => void say({ presses_plus: event.target.value === "plus" })}
                className="block h-11 rounded-cut border border-line bg-sheet px-2"
              >
                <option value="plus">plus</option>
                <option value="minus">minus</option>
              </select>
            </label>
            <label className="text-note font-semibold">
              Sag of the bracket
              <input
                value={sag}
                placeholder="mm, none"
                onChange={(event) => setSag(event.target.value)}
                onBlur={() => sag !== (check.settings.sag ?? "") && void say()}
                onKeyDown={(event) => event.key === "Enter" && void say()}
                className="figure block h-11 w-28 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
              />
            </label>
          </>
        )}
        {"shim" in check.settings && (
          <label className="text-note font-semibold">
            A shim sits
            <select
              value={shim}
              onChange={(event) => void say({ shim: event.target.value as Shim })}
              className="block h-11 rounded-cut border border-line bg-sheet px-2"
            >
              <option value="">not said: both ways shown</option>
              <option value="raises">under the stand, raises the stop</option>
              <option value="lowers">under the plate, closes the gap</option>
            </select>
          </label>
        )}
        {check.readings.length > 0 && (
          <button type="button" className="button min-h-11" onClick={() => void say({}, true)}>
            {swept ? "Sweep again, keep this one" : "Take all again, keep these"}
          </button>
        )}
      </div>
      {check.begun_at && <p className="mt-1 text-note text-soft">Begun {moment(check.begun_at)}</p>}
      {trouble && (
        <p role="alert" className="font-semibold">
          ▲ {trouble}
        </p>
      )}
    </div>
  );
}
