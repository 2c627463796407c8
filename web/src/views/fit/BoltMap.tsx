import { useState } from "react";
import type { OptionOf, Plan, WordsOf } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { HowItComesAbout } from "@/components/HowItComesAbout";
import { Labelled } from "@/components/Labelled";
import { HolePattern } from "./HolePattern";

type Joint = Plan["bolt_maps"][number];
const JOINTS = ["Bell housing", "Flywheel", "Cover", "Gearbox mount", "Retainer", "Starter"];
const FIGURES = [
  { name: "thread", label: "Thread", hint: "M10 x 1.5" },
  { name: "length", label: "Length under the head", hint: "50 mm" },
  { name: "grip", label: "Grip", hint: "30 mm" },
  { name: "washer", label: "Washers", hint: "none" },
  { name: "depth", label: "Depth of thread", hint: "through" },
  { name: "shank", label: "Shank", hint: "none" },
  { name: "angle", label: "At, clockwise from the top", hint: "30°" },
] as const;
const EMPTY: Record<string, string> = {};

/** Which bolt goes where: what each does in its hole, and which two must not be swapped. */
export function BoltMap({ plan, say }: { plan: Plan; say: SayPlan }) {
  const [joint, setJoint] = useState(JOINTS[0] as string);
  const [hole, setHole] = useState("1");
  const [typed, setTyped] = useState(EMPTY);
  const [material, setMaterial] = useState("aluminium");
  const [trouble, setTrouble] = useState<string | null>(null);
  const box = "mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal";
  const keep = async () => {
    const figures = Object.fromEntries(Object.entries(typed).filter(([, text]) => text.trim()));
    const said: WordsOf<"hole"> = {
      ...figures,
      material: material as OptionOf<"hole", "material">,
      answer: "kept",
    };
    const refused = await say({ kind: "hole", key: `${joint.trim()}:${hole.trim()}`, said });
    setTrouble(refused);
    if (refused !== null) return;
    // the next hole is mostly like this one: only its place is another
    setHole(String(Number(hole) + 1));
    setTyped({ ...typed, angle: "" });
  };
  return (
    <section className="mt-4" aria-labelledby="bolt-map" data-testid="bolt-map">
      <h2 id="bolt-map" className="lettering border-b border-ink pb-0.5">
        Which bolt goes where
      </h2>
      {plan.bolt_maps.map((map) => (
        <JointMap key={map.joint} job={plan.job} map={map} say={say} onTrouble={setTrouble} />
      ))}
      <details>
        <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
          Write a bolt down …
        </summary>
        <form
          className="grid grid-cols-2 items-end gap-2 tablet:grid-cols-4"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <Labelled label="Joint" list="joints" value={joint} maxLength={60} onText={setJoint} />
          <datalist id="joints">
            {JOINTS.map((each) => (
              <option key={each} value={each} />
            ))}
          </datalist>
          <Labelled label="Hole, clockwise" inputMode="numeric" value={hole} maxLength={2} onText={setHole} />
          <label className="text-note font-semibold">
            Its thread is in
            <select className={box} value={material} onChange={(event) => setMaterial(event.target.value)}>
              {plan.materials.map((each) => (
                <option key={each.name} value={each.name}>
                  {each.label}
                </option>
              ))}
            </select>
          </label>
          {FIGURES.map(({ name, label, hint }) => (
            <Labelled
              key={name}
              label={label}
              value={typed[name] ?? ""}
              placeholder={hint}
              maxLength={40}
              onText={(text) => setTyped({ ...typed, [name]: text })}
            />
          ))}
          <button type="submit" className="button col-span-full min-h-11 tablet:col-span-1">
            Keep hole {hole}
          </button>
        </form>
      </details>
      {trouble && (
        <p role="alert" className="font-semibold">
          ▲ {trouble}
        </p>
      )}
    </section>
  );
}

type Said = { job: number; map: Joint; say: SayPlan; onTrouble: (trouble: string | null) => void };

function JointMap({ job, map, say, onTrouble }: Said) {
  return (
    <div className="border-b border-hair py-2" data-joint={map.joint}>
      <div className="grid items-start gap-4 wide:grid-cols-[1fr_18rem]">
        <div>
          <h3 className="font-bold">{map.joint}</h3>
          {map.holes.map((hole) => (
            <div key={hole.key} className="py-0.5">
              <b className="figure">{hole.number}</b> {hole.words}:{" "}
              <b>
                {hole.wrong && "▲ "}
                {hole.state}
              </b>
              <span className="block text-note text-soft">
                {hole.says}{" "}
                <button
                  type="button"
                  className="plain-link min-h-6"
                  aria-label={`Take off ${map.joint} ${hole.number}`}
                  onClick={() =>
                    void say({ kind: "hole", key: hole.key, said: { answer: "open" } }).then(onTrouble)
                  }
                >
                  Take off
                </button>
              </span>
              <HowItComesAbout words={hole.working} />
            </div>
          ))}
        </div>
        <HolePattern job={job} map={map} say={say} onTrouble={onTrouble} />
      </div>
      {map.swaps.map((swap) => (
        <p key={swap} className="font-semibold">
          ▲ {swap}
        </p>
      ))}
      {map.circle && <p className="text-note">It {map.circle}.</p>}
    </div>
  );
}
