import type { Check } from "@/api/client";
import { Figure } from "@/components/Figure";
import { bothSystems, moment, rangeOf } from "@/lib/words";
import { Mark, useVerdictWords } from "./marks";
import { Ruler } from "./Ruler";

/** What the readings of a check amount to: the verdict, what decided it, whose limit, what is left. */
export function Finding({ check }: { check: Check }) {
  const verdictWord = useVerdictWords();
  const { finding } = check;
  return (
    <section aria-label="Verdict" data-testid="finding" data-verdict={finding.verdict}>
      <p className="flex items-center gap-2.5 text-state font-bold">
        <Mark verdict={finding.verdict} className="size-6" />
        <span aria-live="polite">{verdictWord(finding.verdict)}</span>
      </p>
      <p className="mt-1 max-w-[60ch]" data-testid="sentence">
        {finding.sentence}
      </p>
      <Ruler check={check} />
      <Life check={check} />
    </section>
  );
}

const left = (used: number) => Math.round(Math.max(0, 1 - used) * 100);

/** The life of a part as a bar: used up to here, with the doubt of the reading, and how far it still goes. */
function Life({ check }: { check: Check }) {
  const life = check.finding.life;
  if (!life) return null;
  const at = (share: number) => Math.min(Math.max(share, 0), 1) * 300;
  return (
    <div className="my-2" data-testid="life-left">
      <p>
        {life.best >= 1 ? (
          <b>Its life is used up</b>
        ) : (
          <>
            <span className="figure font-bold">{left(life.best)} %</span> of its life is left
          </>
        )}
        <span className="text-soft">
          , {left(life.high)} to {left(life.low)} % left by the doubt of the reading.
        </span>
      </p>
      <svg viewBox="0 0 300 14" className="h-3.5 w-full max-w-[22rem]" aria-hidden="true">
        <rect x="0.5" y="0.5" width="299" height="13" fill="none" stroke="var(--ink)" />
        <rect x="0" y="0" width={at(life.best)} height="14" fill="var(--line)" />
        <path d={`M${at(life.low)} 7H${at(life.high)}`} stroke="var(--now)" strokeWidth="4" />
      </svg>
      {life.distance && life.distance_low && life.distance_high && (
        <p className="mt-1">
          At the rate of the dated readings <Figure value={life.distance} /> more,{" "}
          {rangeOf(life.distance_low, life.distance_high)}.
        </p>
      )}
    </div>
  );
}

/** Every reading in force, repeats among them. */
export function Readings({ check }: { check: Check }) {
  if (check.readings.length === 0) return null;
  const { finding } = check;
  return (
    <div className="mt-4">
      <h2 className="lettering border-b border-ink pb-0.5">
        {check.readings.length} {check.readings.length === 1 ? "reading" : "readings"}
        {finding.mean && finding.spread && check.kind === "reading" && check.readings.length > 1 && (
          <span className="font-normal">
            {" "}
            · mean {bothSystems(finding.mean)} · spread {bothSystems(finding.spread)}
          </span>
        )}
      </h2>
      <table className="w-full" data-testid="readings">
        <tbody>
          {[...check.readings].reverse().map((reading) => (
            <tr
              key={reading.id}
              className={`border-b border-hair align-baseline ${reading.place === finding.place ? "font-bold" : "font-normal"}`}
            >
              <th scope="row" className="py-1 pr-2 text-left [font-weight:inherit]">
                {reading.place === "Once" ? check.label : reading.place}
              </th>
              <td className="figure py-1 text-right">
                {reading.skipped ? `skipped: ${reading.skipped}` : reading.typed}
              </td>
              <td className="py-1 pl-3 text-right text-note font-normal text-soft" title={moment(reading.at)}>
                {reading.uncertainty && `± ${bothSystems(reading.uncertainty).split(" · ")[0]}`}{" "}
                {reading.source === "gauge" ? "gauge" : reading.source === "file" ? "file" : ""} {reading.who}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
