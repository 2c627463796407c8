import { useState } from "react";
import type { Check } from "@/api/client";
import { Refused } from "@/components/Refused";
import { requestName } from "@/lib/request";
import { first } from "@/lib/units";
import { moment } from "@/lib/words";
import type { Send } from "./send";

/** What stands of a series as a whole, as it is sent: a change of one thing leaves the rest. */
export const saidOf = (check: Check) =>
  ({
    check: check.name,
    distance: check.distance ? `${first(check.distance).figure} ${first(check.distance).unit}` : "",
    seen_from: check.settings.seen_from === "engine" ? "engine" : "gearbox",
    presses_plus: check.settings.presses_plus !== "no",
    sag: check.settings.sag ?? "",
    swept: check.settings.swept ?? "",
    label: "",
    asked: check.asked,
    request: "",
  }) as const;

/** What belongs to a series as a whole: the odometer, and for a sweep how the dial was read. */
export function HowTaken({ check, send }: { check: Check; send: Send }) {
  const kept = saidOf(check);
  const [distance, setDistance] = useState<string>(kept.distance);
  const [sag, setSag] = useState(kept.sag);
  const [radius, setRadius] = useState(kept.swept);
  const [trouble, setTrouble] = useState<string | null>(null);
  const swept = check.kind === "sweep";
  const say = async (
    more: { seen_from?: "gearbox" | "engine"; presses_plus?: boolean } = {},
    begin = false,
  ) => {
    const body = { ...kept, sag, swept: radius, ...more };
    const begun = { ...body, distance: "", request: requestName() };
    setTrouble(await send(begin ? { begin: begun } : { say: { ...body, distance, request: "" } }));
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
            onBlur={() => distance !== kept.distance && void say()}
            onKeyDown={(event) => event.key === "Enter" && void say()}
            className="figure block h-11 w-36 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
          />
        </label>
        {swept && (
          <>
            <label className="text-note font-semibold">
              Angles counted from
              <select
                value={kept.seen_from}
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
                value={kept.presses_plus ? "plus" : "minus"}
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
                onBlur={() => sag !== kept.sag && void say()}
                onKeyDown={(event) => event.key === "Enter" && void say()}
                className="figure block h-11 w-28 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
              />
            </label>
            {check.settings.swept !== undefined && (
              <label className="text-note font-semibold">
                Swept at a radius of
                <input
                  value={radius}
                  placeholder="mm, not said"
                  onChange={(event) => setRadius(event.target.value)}
                  onBlur={() => radius !== kept.swept && void say()}
                  onKeyDown={(event) => event.key === "Enter" && void say()}
                  className="figure block h-11 w-28 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
                />
              </label>
            )}
          </>
        )}
        {check.readings.length > 0 && (
          <button type="button" className="button min-h-11" onClick={() => void say({}, true)}>
            {swept ? "Sweep again, keep this one" : "Take all again, keep these"}
          </button>
        )}
      </div>
      {check.begun_at && <p className="mt-1 text-note text-soft">Begun {moment(check.begun_at)}</p>}
      <Refused why={trouble} />
    </div>
  );
}
