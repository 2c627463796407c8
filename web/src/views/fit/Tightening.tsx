import { useState } from "react";
import type { FitStep, Plan, WordsOf } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { HowItComesAbout } from "@/components/HowItComesAbout";
import { Labelled } from "@/components/Labelled";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";

const FIELDS = [
  { name: "figure", label: "Figure, and what is on the thread", hint: "53 large, 28 small lb-ft" },
  { name: "count", label: "How many bolts", hint: "as the job says" },
  { name: "thread", label: "Thread", hint: "M8" },
  { name: "grade", label: "Class", hint: "10.9" },
  { name: "head", label: "Across the head or washer", hint: "16 mm" },
  { name: "washers", label: "Washers", hint: "as the kit says" },
  { name: "grip", label: "Length that is clamped", hint: "30 mm" },
  { name: "sequence", label: "Its own sequence", hint: "1 4 2 5 3 6" },
  { name: "sizes", label: "Which hole takes which size", hint: "large: 1 4; small: 2 3 5 6" },
] as const;

type Props = { joint: { name: string; label: string }; plan: Plan; step: FitStep; say: SayPlan };

/** By whose instruction a joint is tightened: instructions side by side, one chosen, never mixed. */
export function Tightening({ joint, plan, step, say }: Props) {
  const ways = step.ways.filter((way) => way.key.split(":")[0]?.trim() === joint.name);
  const [trouble, setTrouble] = useState<string | null>(null);
  const tell = async (key: string, said: WordsOf<"tightening">) => {
    const refused = await say({ kind: "tightening", key, said });
    setTrouble(refused);
    return refused;
  };
  return (
    <section className="pt-3" aria-label={`${joint.label}: by whose instruction`} data-testid="tightening">
      {step.joints.length > 1 && <h3 className="lettering">{joint.label}</h3>}
      {ways.map((way) => (
        <div key={way.key} className="border-b border-hair py-1" data-chosen={way.chosen}>
          <p className="text-field">
            <b>{way.owner || "Nobody named"}</b>: {way.words}
            {way.chosen ? <b> · goes by this</b> : ""}
          </p>
          {(way.says || way.asks) && (
            <p className={way.state === "plausible" || way.state === "open" ? "" : "font-semibold"}>
              {way.state === "plausible" || way.state === "open" ? "" : "▲ "}
              {[way.says, way.asks].filter(Boolean).join("; ")}
            </p>
          )}
          <p className="flex flex-wrap gap-x-4">
            {!way.chosen && (
              <button
                type="button"
                className="plain-link min-h-11"
                onClick={() => void tell(way.key, { ...way.said, answer: "chosen" })}
              >
                Go by {way.owner || "this"}
              </button>
            )}
            <button
              type="button"
              className="plain-link min-h-11"
              onClick={() => void tell(way.key, { answer: "open" })}
            >
              Take it off
            </button>
          </p>
          <HowItComesAbout words={way.working} />
        </div>
      ))}
      <Refused why={trouble} />
      <New offered={plan.offered} joint={joint.name} ways={ways} step={step} tell={tell} />
    </section>
  );
}

type Way = WordsOf<"tightening">;
type Tell = (key: string, said: Way) => Promise<string | null>;
const NOTHING = {
  owner: "",
  figure: "",
  count: "",
  thread: "",
  grade: "",
  head: "",
  washers: "",
  grip: "",
  sequence: "",
  sizes: "",
  steps: "",
  how: "figure" as NonNullable<Way["how"]>,
  passes: "at_once" as NonNullable<Way["passes"]>,
  bolts: undefined as Way["bolts"],
  under: undefined as Way["under"],
};

type NewProps = { offered: Plan["offered"]; joint: string; ways: FitStep["ways"]; step: FitStep; tell: Tell };

function New({ offered, joint, ways, step, tell }: NewProps) {
  const box = "mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal";
  const keep = ({ owner, how, passes, steps, bolts, under, ...typed }: typeof NOTHING) => {
    const given = Object.fromEntries(Object.entries(typed).filter(([, text]) => text.trim()));
    if (how !== "figure") delete given.figure;
    const said: Way = {
      ...given,
      how,
      answer: ways.length > 0 ? "beside" : "chosen",
    };
    if (how === "figure") said.passes = passes;
    if (how === "figure" && passes === "as_given") said.steps = steps;
    if (bolts) said.bolts = bolts;
    if (under) said.under = under;
    return tell(`${joint}:${owner.trim()}`, said);
  };
  const form = useForm(NOTHING, keep, ["how", "passes", "steps", "bolts", "under", "count"]);
  const { how, passes, bolts, under } = form.words;
  return (
    <details open={step.evidence === "bolts" && ways.length === 0 && step.turns.length === 0}>
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        {ways.length > 0 ? "Another instruction beside it …" : "Say how it is tightened …"}
      </summary>
      <div className="grid grid-cols-2 items-end gap-2 tablet:grid-cols-4">
        <Labelled label="Whose it is" placeholder="the manual" maxLength={40} {...form.text("owner")} />
        <Pick
          label="What is known"
          value={how}
          options={offered.how}
          box={box}
          onPick={(picked) => form.put({ how: picked ?? "figure" })}
        />
        {FIELDS.filter(({ name }) => name !== "figure" || how === "figure").map(({ name, label, hint }) => (
          <Labelled key={name} label={label} placeholder={hint} maxLength={80} {...form.text(name)} />
        ))}
        {how === "figure" && (
          <Pick
            label="In passes"
            value={passes}
            options={offered.passes}
            box={box}
            onPick={(picked) => form.put({ passes: picked ?? "at_once" })}
          />
        )}
        {how === "figure" && passes === "as_given" && (
          <Labelled label="Each pass" placeholder="35; 55; 75 lb-ft" maxLength={60} {...form.text("steps")} />
        )}
        <Pick
          label="The bolts"
          value={bolts}
          options={offered.bolts}
          open
          box={box}
          onPick={(picked) => form.put({ bolts: picked })}
        />
        <Pick
          label="The head bears on"
          value={under}
          options={offered.under}
          open
          box={box}
          onPick={(picked) => form.put({ under: picked })}
        />
        <button
          type="button"
          className="button col-span-full min-h-11 tablet:col-span-1"
          onClick={() => void form.submit()}
        >
          Keep the instruction
        </button>
      </div>
    </details>
  );
}

type PickProps<Option extends string> = {
  label: string;
  value: Option | undefined;
  options: { name: string; label: string }[];
  open?: boolean;
  box: string;
  onPick: (value: Option | undefined) => void;
};

/** One of the options of a field; one that may stay open can be left as not said. */
function Pick<Option extends string>({ label, value, options, open, box, onPick }: PickProps<Option>) {
  return (
    <label className="text-note font-semibold">
      {label}
      <select
        className={box}
        value={value ?? ""}
        onChange={(event) => onPick((event.target.value || undefined) as Option | undefined)}
      >
        {open && <option value="">not said</option>}
        {options.map((each) => (
          <option key={each.name} value={each.name}>
            {each.label}
          </option>
        ))}
      </select>
    </label>
  );
}
