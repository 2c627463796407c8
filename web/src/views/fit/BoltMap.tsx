import { type PointerEvent, useState } from "react";
import type { Plan } from "@/api/client";
import { Labelled } from "@/components/Labelled";
import type { Say } from "./FitView";

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
export function BoltMap({ plan, say }: { plan: Plan; say: Say }) {
  const [joint, setJoint] = useState(JOINTS[0] as string);
  const [hole, setHole] = useState("1");
  const [typed, setTyped] = useState(EMPTY);
  const [material, setMaterial] = useState("aluminium");
  const [trouble, setTrouble] = useState<string | null>(null);
  const box = "mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal";
  const keep = async () => {
    const figures = Object.fromEntries(Object.entries(typed).filter(([, text]) => text.trim()));
    const said: Record<string, string> = { ...figures, material, answer: "kept" };
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
        <JointMap key={map.joint} map={map} say={say} onTrouble={setTrouble} />
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

type Said = { map: Joint; say: Say; onTrouble: (trouble: string | null) => void };

function JointMap({ map, say, onTrouble }: Said) {
  return (
    <div className="border-b border-hair py-2" data-joint={map.joint}>
      <div className="flex flex-wrap items-start gap-4">
        <div className="min-w-60 grow">
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
              <Working words={hole.working} />
            </div>
          ))}
        </div>
        <Clock map={map} say={say} onTrouble={onTrouble} />
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

function Working({ words }: { words: string }) {
  return (
    <details className="text-note">
      <summary className="plain-link inline-flex min-h-6 cursor-pointer items-center">
        How it comes about
      </summary>
      <p>{words}</p>
    </details>
  );
}

/** The holes on their circle, as seen; one is moved with the pointer, or typed. */
function Clock({ map, say, onTrouble }: Said) {
  const [moved, setMoved] = useState<{ key: string; degrees: number } | null>(null);
  const placed = map.holes.filter((hole) => hole.degrees !== null);
  if (placed.length === 0) return null;
  const turn = (event: PointerEvent<SVGSVGElement>) => {
    if (!moved) return;
    const box = event.currentTarget.getBoundingClientRect();
    const x = event.clientX - box.left - box.width / 2;
    const y = event.clientY - box.top - box.height / 2;
    setMoved({ ...moved, degrees: Math.round((Math.atan2(x, -y) * 180) / Math.PI + 360) % 360 });
  };
  const drop = () => {
    const hole = map.holes.find((each) => each.key === moved?.key);
    if (moved && hole && moved.degrees !== hole.degrees) {
      const said = { answer: "kept", ...hole.said, angle: `${moved.degrees}°` };
      void say({ kind: "hole", key: hole.key, said }).then(onTrouble);
    }
    setMoved(null);
  };
  return (
    <svg
      viewBox="-60 -60 120 120"
      className="size-48 touch-none"
      role="img"
      aria-label={`${map.joint}: ${placed.map((hole) => `${hole.number} at ${hole.degrees}°`).join(", ")}`}
      onPointerMove={turn}
      onPointerUp={drop}
      onPointerLeave={drop}
    >
      <circle r={44} fill="none" stroke="var(--line)" strokeDasharray="4 2 1 2" />
      <path d="M0 -54 v6 M-2 -50 l2 -4 l2 4" fill="none" stroke="var(--ink)" />
      {placed.map((hole) => {
        const degrees = moved?.key === hole.key ? moved.degrees : (hole.degrees ?? 0);
        const at = (degrees * Math.PI) / 180;
        return (
          <g
            key={hole.key}
            transform={`translate(${44 * Math.sin(at)} ${-44 * Math.cos(at)})`}
            className="cursor-grab"
            onPointerDown={() => setMoved({ key: hole.key, degrees })}
          >
            <circle
              r={8}
              fill="var(--sheet)"
              stroke={moved?.key === hole.key ? "var(--now)" : "var(--ink)"}
            />
            <text textAnchor="middle" dy="3" fontSize="9" fill="var(--ink)" className="figure select-none">
              {hole.number}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
