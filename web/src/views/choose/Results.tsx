import { Link } from "react-router";
import type { Band, Result } from "@/api/client";
import { Figure } from "@/components/Figure";
import { usePanel } from "@/lib/address";
import { first, second } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";

type Props = { names: readonly string[]; title: string; stage?: "now" | "planned" };

/** Results as rows: every figure opens its working. */
export function Results({ names, title, stage = "planned" }: Props) {
  const { shown } = useJobEditor();
  const rows = names.flatMap((name) => shown.results.find((result) => result.name === name) ?? []);
  return (
    <table className="w-full" data-testid={`results-${title}`}>
      <caption className="border-b border-ink pb-1 text-left text-head font-bold">{title}</caption>
      <tbody>
        {rows.map((result) => (
          <ResultRow key={result.name} result={result} stage={stage} />
        ))}
      </tbody>
    </table>
  );
}

function ResultRow({ result, stage }: { result: Result; stage: "now" | "planned" }) {
  const panel = usePanel();
  const band = stage === "now" ? result.now : result.planned;
  return (
    <tr className="border-b border-hair align-baseline">
      <th scope="row" className="py-1.5 pr-3 text-left font-normal">
        <Link className="plain-link" to={panel({ working: result.name, stage })} replace>
          {result.label}
        </Link>
      </th>
      <td className="py-1.5 text-right" data-result={result.name}>
        {band ? <Values band={band} /> : <span className="text-soft">open</span>}
      </td>
    </tr>
  );
}

function Values({ band }: { band: Band }) {
  if (band.single) return <Figure value={band.nominal} />;
  const { unit } = first(band.low);
  const other = second(band.low);
  return (
    <span className="whitespace-nowrap" title="low – nominal – high friction">
      <span className="figure font-bold">{first(band.low).figure}</span>
      <span className="figure text-soft">
        {" – "}
        {first(band.nominal).figure} – {first(band.high).figure}
      </span>
      {unit && <span className="text-[0.8em] text-soft">{`\u00a0${unit}`}</span>}
      {other && unit !== other.unit && (
        <span className="figure block text-note text-soft">
          {band.low.inch.figure} – {band.nominal.inch.figure} – {band.high.inch.figure} {band.low.inch.unit}
        </span>
      )}
    </span>
  );
}
