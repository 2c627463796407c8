import type { OptionOf, Plan, WordsOf } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { HowItComesAbout } from "@/components/HowItComesAbout";
import { Labelled } from "@/components/Labelled";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";
import { HolePattern } from "./HolePattern";

type Joint = Plan["bolt_maps"][number];
const FIRST = "Bell housing";
const FIGURES = [
  { name: "thread", label: "Thread", hint: "M10 x 1.5" },
  { name: "length", label: "Length under the head", hint: "50 mm" },
  { name: "grip", label: "Grip", hint: "30 mm" },
  { name: "washer", label: "Washers", hint: "none" },
  { name: "depth", label: "Depth of thread", hint: "through" },
  { name: "shank", label: "Shank", hint: "none" },
  { name: "angle", label: "At, clockwise from the top", hint: "30°" },
] as const;
const NOTHING = {
  ...Object.fromEntries(FIGURES.map(({ name }) => [name, ""])),
  joint: FIRST,
  hole: "1",
  material: "aluminium",
} as Record<(typeof FIGURES)[number]["name"] | "joint" | "hole" | "material", string>;

/** Which bolt goes where: what each does in its hole, and which two must not be swapped. */
export function BoltMap({ plan, say }: { plan: Plan; say: SayPlan }) {
  const form = useForm(
    NOTHING,
    async ({ joint, hole, material, ...typed }) => {
      const figures = Object.fromEntries(Object.entries(typed).filter(([, text]) => text.trim()));
      const said: WordsOf<"hole"> = {
        ...figures,
        material: material as OptionOf<"hole", "material">,
        answer: "kept",
      };
      const refused = await say({ kind: "hole", key: `${joint.trim()}:${hole.trim()}`, said });
      // the next hole is mostly like this one: only its place is another
      if (refused === null) form.put({ hole: String(Number(hole) + 1) });
      return refused;
    },
    Object.keys(NOTHING).filter((name) => name !== "angle") as (keyof typeof NOTHING)[],
  );
  const box = "mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal";
  return (
    <section
      className={plan.bolt_maps.length > 0 ? "basis-full" : "has-[details[open]]:basis-full"}
      aria-label="Which bolt goes where"
      data-testid="bolt-map"
    >
      {plan.bolt_maps.length > 0 && (
        <h2 className="lettering border-b border-ink pb-0.5">Which bolt goes where</h2>
      )}
      {plan.bolt_maps.map((map) => (
        <JointMap key={map.joint} job={plan.job} map={map} say={say} tell={form.tell} />
      ))}
      <details>
        <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
          Write a bolt down …
        </summary>
        <form className="grid grid-cols-2 items-end gap-2 tablet:grid-cols-4" onSubmit={form.onSubmit}>
          <Labelled label="Joint" list="joints" maxLength={60} {...form.text("joint")} />
          <datalist id="joints">
            {[
              ...new Set([FIRST, ...plan.steps.flatMap(({ joints }) => joints.map(({ label }) => label))]),
            ].map((each) => (
              <option key={each} value={each} />
            ))}
          </datalist>
          <Labelled label="Hole, clockwise" inputMode="numeric" maxLength={2} {...form.text("hole")} />
          <label className="text-note font-semibold">
            Its thread is in
            <select className={box} {...form.field("material")}>
              {plan.materials.map((each) => (
                <option key={each.name} value={each.name}>
                  {each.label}
                </option>
              ))}
            </select>
          </label>
          {FIGURES.map(({ name, label, hint }) => (
            <Labelled key={name} label={label} placeholder={hint} maxLength={40} {...form.text(name)} />
          ))}
          <button type="submit" className="button col-span-full min-h-11 tablet:col-span-1">
            Keep hole {form.words.hole}
          </button>
        </form>
      </details>
      <Refused why={form.trouble} />
    </section>
  );
}

type Said = {
  job: number;
  map: Joint;
  say: SayPlan;
  tell: (sending: Promise<string | null>) => Promise<boolean>;
};

function JointMap({ job, map, say, tell }: Said) {
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
                  onClick={() => void tell(say({ kind: "hole", key: hole.key, said: { answer: "open" } }))}
                >
                  Take off
                </button>
              </span>
              <HowItComesAbout words={hole.working} />
            </div>
          ))}
        </div>
        <HolePattern job={job} map={map} say={say} tell={tell} />
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
