import { useState } from "react";
import type { Measure } from "@/api/client";
import { usePutInstrumentAway } from "@/api/measure";
import { Panel } from "@/components/Panel";
import { Refused } from "@/components/Refused";
import { setSoundOn, soundOn } from "@/lib/beep";
import { first } from "@/lib/units";
import { useForm } from "@/lib/useForm";
import { bothSystems, day } from "@/lib/words";
import type { Send } from "./send";

/** The instruments of the shop: each with its own uncertainty, calibration and data port. */
export function Instruments({ bench, send, onClose }: { bench: Measure; send: Send; onClose: () => void }) {
  const away = usePutInstrumentAway(bench.job);
  const [sound, setSound] = useState(soundOn());
  return (
    <Panel title="Instruments" onClose={onClose}>
      <table className="w-full">
        <tbody>
          {bench.instruments.map((each) => (
            <tr key={each.key} className="border-b border-hair align-baseline">
              <th scope="row" className="py-1.5 pr-2 text-left">
                {each.label}
                <span className="block text-note font-normal text-soft">
                  steps of {first(each.resolution).figure} {first(each.resolution).unit}, {each.why}
                  {each.calibrated_on && `, calibrated ${day(each.calibrated_on)}`}
                  {each.port && `, reads ${each.port}`}
                  {each.bands && `; ${each.bands}`}
                </span>
                {each.warns && <span className="block text-note">▲ {each.warns}</span>}
              </th>
              <td className="figure whitespace-nowrap">± {bothSystems(each.uncertainty)}</td>
              <td className="pl-2 text-right">
                {each.own && (
                  <button
                    type="button"
                    className="plain-link min-h-11 text-note"
                    onClick={() => away.mutate(Number(each.key))}
                  >
                    Archive
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <New bench={bench} send={send} />
      <label className="mt-5 flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={sound}
          onChange={(event) => {
            setSoundOn(event.target.checked);
            setSound(event.target.checked);
          }}
        />
        Beep when a gauge's reading is taken
      </label>
    </Panel>
  );
}

const FIELD = "block h-11 w-full rounded-cut border border-line bg-sheet px-2 placeholder:text-soft";

const BLANK = {
  kind: "caliper",
  name: "",
  resolution: "",
  uncertainty: "",
  calibrated_on: "",
  port: "",
  torque_band: "",
  angle_band: "",
};

function New({ bench, send }: { bench: Measure; send: Send }) {
  const form = useForm(BLANK, (instrument) => send({ instrument }));
  return (
    <form className="mt-5 grid gap-3" onSubmit={form.onSubmit}>
      <h2 className="text-head font-bold">Add one of the shop's own</h2>
      <label className="text-note font-semibold">
        Kind
        <select {...form.field("kind")} className={FIELD}>
          {bench.instruments
            .filter((each) => !each.own)
            .map((each) => (
              <option key={each.key} value={each.key}>
                {each.label}
              </option>
            ))}
        </select>
      </label>
      <label className="text-note font-semibold">
        Name
        <input {...form.field("name")} className={FIELD} />
      </label>
      <label className="text-note font-semibold">
        Smallest step (empty: as its kind)
        <input {...form.field("resolution")} placeholder="0.01 mm" className={`figure ${FIELD}`} />
      </label>
      <label className="text-note font-semibold">
        Uncertainty, k = 2 (empty: as its kind, half a step at least)
        <input {...form.field("uncertainty")} placeholder="0.02 mm" className={`figure ${FIELD}`} />
      </label>
      <label className="text-note font-semibold">
        Calibrated on
        <input type="date" {...form.field("calibrated_on")} className={FIELD} />
      </label>
      <label className="text-note font-semibold">
        Data port (empty: read by eye)
        <input
          {...form.field("port")}
          placeholder="/dev/ttyUSB0 or socket://127.0.0.1:8765"
          className={`figure ${FIELD}`}
        />
      </label>
      {form.words.kind === "torque_wrench" && (
        <p className="grid grid-cols-2 gap-3">
          <label className="text-note font-semibold">
            A pull may be off by (empty: 5 %)
            <input {...form.field("torque_band")} placeholder="4 %" className={`figure ${FIELD}`} />
          </label>
          <label className="text-note font-semibold">
            Its angle by (empty: 5°)
            <input {...form.field("angle_band")} placeholder="3°" className={`figure ${FIELD}`} />
          </label>
        </p>
      )}
      <Refused why={form.trouble} />
      <button type="submit" className="button min-h-11" disabled={!form.words.name.trim()}>
        Add to the bench
      </button>
    </form>
  );
}
