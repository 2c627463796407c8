import { type FormEvent, useState } from "react";
import type { Send } from "./send";

const FIELDS = [
  ["label", "What is measured", "Sensor gap"],
  ["part", "On which part", "Flywheel"],
  ["unit", "Unit", "mm"],
  ["least", "At least", "0.6"],
  ["most", "At most", "1.0"],
  ["places", "Places", "3, or At 12, At 4, At 8"],
] as const;

type Said = Record<(typeof FIELDS)[number][0], string>;
const NOTHING: Said = { label: "", part: "", unit: "", least: "", most: "", places: "" };

/** A check that this job asks for beside those of its layout. */
export function AddCheck({ send }: { send: Send }) {
  const [said, setSaid] = useState(NOTHING);
  const [trouble, setTrouble] = useState<string | null>(null);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const { label, ...rest } = said;
    const refused = await send({
      record: { kind: "own", key: label, said: { ...rest, unit: rest.unit || "mm", answer: "asked" } },
    });
    setTrouble(refused);
    if (refused === null) setSaid(NOTHING);
  };
  return (
    <details>
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
        Add a check of this job
      </summary>
      <form className="grid grid-cols-2 gap-2 pb-3" onSubmit={(event) => void add(event)}>
        {FIELDS.map(([name, label, example]) => (
          <label key={name} className={name === "label" || name === "places" ? "col-span-2" : ""}>
            <span className="text-note">{label}</span>
            <input
              value={said[name]}
              maxLength={name === "label" ? 60 : 200}
              placeholder={example}
              onChange={(event) => setSaid({ ...said, [name]: event.target.value })}
              className="h-11 w-full rounded-cut border border-line bg-sheet px-2 placeholder:text-soft placeholder:italic"
            />
          </label>
        ))}
        <button type="submit" className="button col-span-2 min-h-11" disabled={!said.label.trim()}>
          Add the check
        </button>
        {trouble && (
          <p role="alert" className="col-span-2 font-semibold">
            ▲ {trouble}
          </p>
        )}
      </form>
    </details>
  );
}
