import type { ReactNode } from "react";
import type { Check, Sweep } from "@/api/client";
import { Figure } from "@/components/Figure";
import { bothSystems, rangeOf } from "@/lib/words";

/** What a sweep amounts to: how far off, which way, both readings of the rule, and the dowel. */
export function SweepFigures({ check }: { check: Check }) {
  const { sweep, before } = check;
  if (!sweep) return null;
  const bore = check.name === "bore_runout";
  return (
    <div className="mt-3" data-testid="sweep">
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-left text-note">
            <th scope="col" className="py-0.5">
              <span className="sr-only">Figure</span>
            </th>
            {before && <th scope="col">Before</th>}
            <th scope="col">{before ? "Now" : "Found"}</th>
          </tr>
        </thead>
        <tbody>
          <Row
            name="Total indicator reading"
            sweep={sweep}
            before={before}
            says={(s) => <Figure value={s.tir} />}
          />
          <Row
            name={sweep.face ? "Highest towards" : "Off centre"}
            sweep={sweep}
            before={before}
            says={(s) =>
              s.face ? (
                s.direction_words
              ) : (
                <>
                  <Figure value={s.eccentricity} /> towards {s.direction_words}
                </>
              )
            }
          />
          <Row
            name={sweep.face ? "Lean, by the fit" : "Twice that"}
            sweep={sweep}
            before={before}
            says={(s) => <Figure value={s.tir_fit} />}
          />
          <Row
            name={sweep.face ? "Twice a turn" : "Out of round"}
            sweep={sweep}
            before={before}
            says={(s) => (s.oval ? <Figure value={s.oval} /> : "needs six angles")}
          />
          <Row
            name="Scatter"
            sweep={sweep}
            before={before}
            says={(s) => (s.scatter ? <Figure value={s.scatter} /> : "needs more angles")}
          />
          <Row
            name="Closes within"
            sweep={sweep}
            before={before}
            says={(s) => (s.closes ? <Figure value={s.closes} /> : "first angle not read again")}
          />
        </tbody>
      </table>
      {bore && <Rule sweep={sweep} />}
      {sweep.dowels.length > 0 && <Dowels sweep={sweep} />}
    </div>
  );
}

function Row({
  name,
  sweep,
  before,
  says,
}: {
  name: string;
  sweep: Sweep;
  before: Sweep | null;
  says: (sweep: Sweep) => ReactNode;
}) {
  return (
    <tr className="border-b border-hair align-baseline">
      <th scope="row" className="py-1 pr-3 text-left font-normal">
        {name}
      </th>
      {before && <td className="pr-3 text-soft">{says(before)}</td>}
      <td>{says(sweep)}</td>
    </tr>
  );
}

const passes = (yes: boolean) => (yes ? "passes" : "does not pass");

/** The 0.005 in rule is read two ways; both are shown, the stricter decides. */
function Rule({ sweep }: { sweep: Sweep }) {
  return (
    <p className="mt-2 text-note" data-testid="rule">
      The rule of 0.005 in, read as total indicator reading, <b>{passes(sweep.passes_tir)}</b>; read as
      distance off centre it <b>{passes(sweep.passes_centre)}</b>. The first, stricter one decides.
    </p>
  );
}

function Dowels({ sweep }: { sweep: Sweep }) {
  return (
    <div className="mt-3">
      <h2 className="lettering border-b border-ink pb-0.5">Offset dowels</h2>
      <table className="w-full" data-testid="dowels">
        <thead>
          <tr className="text-left text-note text-soft">
            <th scope="col" className="py-0.5 font-normal">
              Offset
            </th>
            <th scope="col" className="font-normal">
              High side towards
            </th>
            <th scope="col" className="font-normal">
              Panels, total
            </th>
          </tr>
        </thead>
        <tbody>
          {sweep.dowels.map((dowel, i) => (
            <tr
              key={dowel.offset.si}
              className={`border-b border-hair align-baseline ${i === 0 ? "font-bold" : "font-normal"}`}
            >
              <th scope="row" className="py-1 pr-2 text-left [font-weight:inherit]">
                {dowel.offset.si === 0 ? "as it is" : bothSystems(dowel.offset)}
              </th>
              <td className="pr-2">
                {dowel.offset.si !== 0 && (
                  <>
                    {dowel.clock_words} <span className="figure text-soft">{dowel.clock}°</span>
                    {dowel.meets && dowel.slack > 0 && (
                      <span className="font-normal text-soft"> ± {dowel.slack}°</span>
                    )}
                  </>
                )}
              </td>
              <td>
                <Figure value={dowel.residual} />{" "}
                <span className="text-note">{dowel.meets ? "passes" : "over"}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-note text-soft">
        Both dowels point the same way. Fit, tighten, measure again before the gearbox goes in. No stocked
        dowel reaches the limit where the total is{" "}
        {sweep.unreachable.map(({ low, high }) => rangeOf(low, high)).join("; ")}.
      </p>
    </div>
  );
}
