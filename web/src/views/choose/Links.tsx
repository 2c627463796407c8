import { Link } from "react-router";
import type { Band, Verdict } from "@/api/client";
import { usePanel } from "@/lib/address";
import { first } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";

type VerdictLink = Verdict["links"][number];
type Props = { question?: Verdict["question"]; most?: number };

/** What can give way, weakest first, and for Bite the margin now and after the planned work. */
export function Links({ question = "bite", most = 20 }: Props) {
  const { shown } = useJobEditor();
  const panel = usePanel();
  const verdict = shown.verdicts.find((v) => v.question === question);
  if (!verdict) return null;
  const margins = question === "bite" && shown.has_plan;
  if (verdict.links.length === 0) {
    return (
      <p className="mt-3 border-l-4 border-ink pl-3 font-semibold" role="status">
        {verdict.sentence}
      </p>
    );
  }
  return (
    <div className="mt-3 grid gap-x-8 gap-y-3 wide:grid-cols-2">
      {margins && <Margins bite={verdict} />}
      <ol className={margins ? "" : "wide:col-span-2"} data-testid={`links-${question}`}>
        {verdict.links.slice(0, most).map((link) => (
          <li
            key={link.label}
            className="border-l-4 border-ink py-1 pl-3 not-first:mt-2 not-first:border-hair"
          >
            <p>
              {link.working ? (
                <Link
                  className="plain-link font-bold"
                  to={panel({ working: link.working, friction: String(link.friction) })}
                  replace
                >
                  {GRADES[link.grade]} {link.label}
                </Link>
              ) : (
                <span className="font-bold">
                  {GRADES[link.grade]} {link.label}
                </span>
              )}
              <Compared link={link} />
            </p>
            <p className="text-note">{link.sentence}.</p>
            {link.whose && <p className="text-note text-soft">Limit: {link.whose}.</p>}
          </li>
        ))}
      </ol>
      {verdict.unseen.length > 0 && (
        <p className="text-note wide:col-span-2" data-testid={`unseen-${question}`}>
          Not looked at: {verdict.unseen.join(", ")}.
        </p>
      )}
    </div>
  );
}

/** How grave a link is, as a mark and a word: never by colour alone. */
const GRADES: Record<VerdictLink["grade"], string> = {
  bad: "▲ Fails:",
  short: "△ Short:",
  good: "Met:",
  note: "Told:",
};

function Compared({ link }: { link: VerdictLink }) {
  if (!link.figure || !link.limit) return null;
  return (
    <span className="figure text-soft">
      {" "}
      {first(link.figure).figure} {first(link.figure).unit} of {link.most && "at most "}
      {first(link.limit).figure} {first(link.limit).unit}
    </span>
  );
}

function Margins({ bite }: { bite: Verdict }) {
  return (
    <table className="w-full self-start">
      <caption className="sr-only">Bite margin now and planned</caption>
      <thead>
        <tr className="text-left text-note text-soft">
          <th className="font-normal">Bite margin at friction</th>
          <th className="text-right font-normal">low</th>
          <th className="text-right font-normal">nominal</th>
          <th className="text-right font-normal">high</th>
        </tr>
      </thead>
      <tbody>
        <MarginRow label="engine as it is" band={bite.margin_now} stage="now" />
        <MarginRow label="planned engine" band={bite.margin} stage="planned" />
        <tr>
          <th scope="row" className="py-1 text-left font-normal">
            asked for by the use
          </th>
          <td className="figure py-1 text-right">1</td>
          <td className="figure py-1 text-right">{bite.target && first(bite.target).figure}</td>
          <td />
        </tr>
      </tbody>
    </table>
  );
}

function MarginRow({ label, band, stage }: { label: string; band: Band | null; stage: string }) {
  const panel = usePanel();
  return (
    <tr className="border-b border-hair">
      <th scope="row" className="py-1 text-left font-normal">
        <Link className="plain-link" to={panel({ working: "bite_margin", stage })} replace>
          {label}
        </Link>
      </th>
      {(["low", "nominal", "high"] as const).map((place) => (
        <td
          key={place}
          className={`figure py-1 text-right ${place === "nominal" ? "font-bold" : "text-soft"}`}
        >
          {band ? first(band[place]).figure : "open"}
        </td>
      ))}
    </tr>
  );
}
