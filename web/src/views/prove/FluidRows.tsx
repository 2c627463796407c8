import type { WordsOf } from "@/api/client";
import type { Prove } from "@/api/prove";
import { Figure } from "@/components/Figure";
import { Labelled } from "@/components/Labelled";
import { useForm } from "@/lib/useForm";
import { useProof } from "./Prove";

type Fluid = Prove["fluids"][number];
type Tell = (change: Parameters<ReturnType<typeof useProof>["say"]>[0]) => Promise<string | null>;

/** Fluids and oils: which class went in, how much, and whether the level was looked at again. */
export function FluidRows({ tell }: { tell: Tell }) {
  const { fluids } = useProof().prove;
  if (fluids.length === 0) return null;
  return (
    <section aria-labelledby="fluids" data-testid="fluids">
      <h2 id="fluids" className="lettering border-b border-ink pb-0.5">
        Fluids
      </h2>
      {fluids.map((fluid) => (
        <OneFluid key={`${fluid.name} ${fluid.filled?.at ?? ""}`} fluid={fluid} tell={tell} />
      ))}
    </section>
  );
}

function OneFluid({ fluid, tell }: { fluid: Fluid; tell: Tell }) {
  const form = useForm(
    { kind: fluid.kind || (fluid.classes[0] ?? ""), bottles: "", left: "" },
    ({ kind, bottles, left }) => {
      const amount = { ...(bottles.trim() && { bottles }), ...(left.trim() && { left }) };
      return say({ answer: "filled", class: kind, ...amount });
    },
    ["kind"],
  );
  const say = (said: WordsOf<"fluid">) => tell({ kind: "fluid", key: fluid.name, said });
  return (
    <div className="border-b border-hair py-2" data-fluid={fluid.name}>
      <h3 className="font-bold">{fluid.label}</h3>
      <p className="text-note text-soft">{fluid.note}</p>
      {fluid.filled ? (
        <>
          <p>
            {fluid.kind}
            {fluid.used && (
              <>
                , <Figure value={fluid.used} />
              </>
            )}{" "}
            <span className="text-note text-soft">{fluid.filled.who}</span>
            {fluid.renewed && <span className="block text-note">Renewed again {fluid.renewed}.</span>}
          </p>
          {fluid.wrong && <p className="font-semibold">▲ {fluid.wrong}</p>}
          <p className="flex flex-wrap gap-x-4">
            {fluid.again ? (
              <b className="min-h-11 py-2">Level looked at again</b>
            ) : (
              <button
                type="button"
                className="button min-h-11"
                onClick={() => say({ ...(fluid.said as WordsOf<"fluid">), again: "right" })}
              >
                Level looked at again, right
              </button>
            )}
            <button
              type="button"
              className="plain-link min-h-11 text-note"
              onClick={() => say({ answer: "open" })}
            >
              Take back
            </button>
          </p>
        </>
      ) : (
        <form className="grid grid-cols-2 items-end gap-2" onSubmit={form.onSubmit}>
          <label className="col-span-2 text-note font-semibold">
            Its class
            <select
              className="mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal"
              {...form.field("kind")}
            >
              {fluid.classes.map((each) => (
                <option key={each}>{each}</option>
              ))}
            </select>
          </label>
          <Labelled label="Bottles opened" maxLength={40} placeholder="2 L" {...form.text("bottles")} />
          <Labelled label="Left in them" maxLength={40} placeholder="300 mL" {...form.text("left")} />
          <button type="submit" className="button col-span-2 min-h-11">
            Filled
          </button>
        </form>
      )}
    </div>
  );
}
