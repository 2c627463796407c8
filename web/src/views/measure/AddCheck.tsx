import { useState } from "react";
import type { Measure } from "@/api/client";
import { Labelled } from "@/components/Labelled";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";
import type { Send } from "./send";

const KINDS = ["figure", "look", "go_no_go"] as const;
type Kind = (typeof KINDS)[number];
const LABEL: Record<Kind, string> = { figure: "A figure", look: "A look", go_no_go: "Go or no go" };
const FIELDS = [
  { name: "label", label: "What is measured or looked at", example: "Sensor gap", of: KINDS },
  { name: "part", label: "On which part", example: "Flywheel", of: KINDS },
  { name: "unit", label: "Unit", example: "mm", of: ["figure"] },
  { name: "least", label: "At least", example: "0.6", of: ["figure"] },
  { name: "most", label: "At most", example: "1.0", of: ["figure"] },
  {
    name: "grades",
    label: "Conditions, each with what it comes to",
    example: "none = reuse; a ring = watch; all over = renew",
    of: ["look"],
  },
  { name: "places", label: "Places", example: "3, or At 12, At 4, At 8", of: KINDS },
  { name: "how", label: "How it is taken", example: "Feeler between sensor and ring", of: KINDS },
] as const;
type Name = (typeof FIELDS)[number]["name"];
const NOTHING: Record<Name, string> = {
  label: "",
  part: "",
  unit: "",
  least: "",
  most: "",
  grades: "",
  places: "",
  how: "",
};
const WIDE: readonly Name[] = ["label", "part", "grades", "places", "how"];

/** A check that this job asks for beside those of its layout: a figure, a look, or a gauge that goes or does not. */
export function AddCheck({ bench, send }: { bench: Measure; send: Send }) {
  const [kind, setKind] = useState<Kind>("figure");
  const shown = FIELDS.filter(({ of }) => (of as readonly Kind[]).includes(kind));
  const form = useForm(NOTHING, ({ label, ...typed }) => {
    const words = Object.fromEntries(
      shown.flatMap(({ name }) => (name === "label" ? [] : [[name, typed[name]]])),
    );
    if (kind === "figure") words.unit ||= "mm";
    return send({ record: { kind: "own", key: label, said: { ...words, kind, answer: "asked" } } });
  });
  return (
    <details>
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
        Add a check of this job
      </summary>
      <form className="grid grid-cols-2 gap-2 pb-3" onSubmit={form.onSubmit}>
        <fieldset className="col-span-2 flex flex-wrap gap-x-4">
          <legend className="text-note">Kind of check</legend>
          {KINDS.map((each) => (
            <label key={each} className="inline-flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name="kind"
                checked={kind === each}
                onChange={() => setKind(each)}
                className="size-5"
              />
              {LABEL[each]}
            </label>
          ))}
        </fieldset>
        {shown.map(({ name, label, example }) => (
          <div key={name} className={WIDE.includes(name) ? "col-span-2" : ""}>
            <Labelled
              label={label}
              {...form.text(name)}
              maxLength={name === "label" ? 60 : 200}
              placeholder={example}
              list={name === "part" ? "parts-of-check" : undefined}
            />
          </div>
        ))}
        <datalist id="parts-of-check">
          {bench.parts.map(({ name, label }) => (
            <option key={name} value={label} />
          ))}
        </datalist>
        <button type="submit" className="button col-span-2 min-h-11" disabled={!form.words.label.trim()}>
          Add the check
        </button>
        <Refused why={form.trouble} className="col-span-2" />
      </form>
    </details>
  );
}
