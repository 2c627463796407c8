import type { Check, Measure } from "@/api/client";
import { first } from "@/lib/units";
import { day } from "@/lib/words";

export function With({
  bench,
  check,
  now,
  onInstrument,
}: {
  bench: Measure;
  check: Check;
  now: string;
  onInstrument: (key: string) => void;
}) {
  if (check.instruments.length === 0) return null;
  const held = bench.instruments.find((each) => each.key === now);
  return (
    <>
      <label className="mb-2 flex items-center gap-2 text-note">
        <span className="font-semibold">With</span>
        <select
          value={now}
          onChange={(event) => onInstrument(event.target.value)}
          className="h-11 min-w-0 grow rounded-cut border border-line bg-sheet px-2 text-body"
        >
          {check.instruments.map((key) => {
            const each = bench.instruments.find((one) => one.key === key);
            return (
              <option key={key} value={key}>
                {each?.label} ± {each && first(each.uncertainty).figure}{" "}
                {each && first(each.uncertainty).unit}
                {each?.port ? ", data port" : ""}
              </option>
            );
          })}
        </select>
      </label>
      {held?.warns ? (
        <p className="mb-2 text-note font-semibold" data-testid="calibration">
          ▲ {held.label}: {held.warns}.
        </p>
      ) : (
        held?.calibrated_on && (
          <p className="mb-2 text-note text-soft">Calibrated {day(held.calibrated_on)}</p>
        )
      )}
    </>
  );
}
