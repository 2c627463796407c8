import type { Check, Measure } from "@/api/client";
import { useMeasure } from "@/api/measure";
import { SETUP_WORDS } from "@/views/measure/CalculationsOf";
import { VERDICT_WORDS } from "@/views/measure/marks";

type Props = { id: number; revision: number; complaint: string };

/** What was complained of, measured and decided: by whose limit, with what, by whom; what it takes, and how far that is. */
export function Measured({ id, revision, complaint }: Props) {
  const found = useMeasure(id, revision).data;
  const apart = (found?.apart.length ?? 0) > 0;
  const goesIn = useMeasure(id, revision, apart ? "planned" : "found").data;
  if (!found || !goesIn) return null;
  const begun = found.checks.filter(({ finding, closed }) => finding.taken > 0 || closed);
  const added = apart
    ? goesIn.checks.filter((check) => check.of === "planned" && check.finding.taken > 0)
    : [];
  return (
    <>
      {complaint && <Complaint complaint={complaint} bench={found} />}
      {begun.length > 0 && (
        <section className="mt-6" data-testid="measured">
          <h2 className="border-b border-ink pb-1 text-head font-bold">Measured</h2>
          <Findings checks={begun} />
          {added.length > 0 && <Findings checks={added} caption="Of the parts that go in" />}
        </section>
      )}
      <SetUp bench={goesIn} />
      <Takes bench={found} />
    </>
  );
}

function Complaint({ complaint, bench }: { complaint: string; bench: Measure }) {
  return (
    <section className="mt-6" data-testid="sheet-complaint">
      <h2 className="border-b border-ink pb-1 text-head font-bold">Complaint</h2>
      <p className="pt-1">{complaint}</p>
      {bench.complaints.map(({ name, explained_by }) => (
        <p key={name} className="text-note">
          <b>{name}</b>:{" "}
          {explained_by.length > 0
            ? explained_by.map((check) => check.label.toLowerCase()).join("; ")
            : "not explained by anything found"}
        </p>
      ))}
    </section>
  );
}

/** With what a check was read, how often, and by whom. */
function readBy(check: Check): string {
  const instruments = new Set(check.readings.map((reading) => reading.instrument).filter(Boolean));
  const people = new Set(check.readings.map((reading) => reading.who).filter(Boolean));
  const count = `${check.readings.length} ${check.readings.length === 1 ? "reading" : "readings"}`;
  return [count, [...instruments].join(", "), people.size > 0 ? `by ${[...people].join(", ")}` : ""]
    .filter(Boolean)
    .join(", ");
}

function Findings({ checks, caption }: { checks: readonly Check[]; caption?: string }) {
  return (
    <table className="w-full">
      {caption && <caption className="lettering pb-0.5 pt-3 text-left">{caption}</caption>}
      <tbody>
        {checks.map((check) => (
          <tr key={check.name} className="break-inside-avoid border-b border-hair align-baseline">
            <th scope="row" className="py-1 pr-3 text-left font-normal">
              {check.title}
              {check.finding.taken > 0 && <span className="block text-note text-soft">{readBy(check)}</span>}
            </th>
            <td className="whitespace-nowrap py-1 pr-3 font-bold">
              {check.finding.taken > 0 ? VERDICT_WORDS[check.finding.verdict] : "—"}
            </td>
            <td className="py-1 text-note">
              {check.finding.taken > 0 && check.finding.sentence}
              {check.closed && (
                <span className="block">
                  “{check.closed.answer}”, says {check.closed.who}: {check.closed.reason}
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function SetUp({ bench }: { bench: Measure }) {
  const told = bench.calculations.filter((each) => each.sentence);
  if (told.length === 0) return null;
  return (
    <section className="mt-6" data-testid="sheet-setup">
      <h2 className="border-b border-ink pb-1 text-head font-bold">Set-up</h2>
      <table className="w-full">
        <tbody>
          {told.map((each) => (
            <tr key={each.name} className="break-inside-avoid border-b border-hair align-baseline">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {each.label}
              </th>
              <td className="whitespace-nowrap py-1 pr-3 font-bold">
                {each.verdict ? SETUP_WORDS[each.verdict] : "—"}
              </td>
              <td className="py-1 text-note">{each.sentence}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Takes({ bench }: { bench: Measure }) {
  if (bench.needs.length === 0) return null;
  return (
    <section className="mt-6" data-testid="sheet-needs">
      <h2 className="border-b border-ink pb-1 text-head font-bold">What it takes</h2>
      <table className="w-full">
        <tbody>
          {bench.needs.map((need) => {
            const struck = need.said?.answer === "struck" ? need.said : null;
            const { order } = need;
            return (
              <tr key={need.key} className="break-inside-avoid border-b border-hair align-baseline">
                <th scope="row" className={`py-1 pr-3 text-left font-normal ${struck ? "line-through" : ""}`}>
                  {need.part}
                </th>
                <td className="whitespace-nowrap py-1 pr-3 font-bold">{struck ? "struck" : need.work}</td>
                <td className="py-1 text-note">
                  {struck ? `${struck.who && `${struck.who}: `}${struck.reason}` : need.reasons.join(" ")}
                  {order && !struck && (
                    <span className="block">
                      {[order.number, order.source, `${order.price} ${order.currency}`.trim(), order.state]
                        .filter(Boolean)
                        .join(", ")}
                    </span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
