import { Link } from "react-router";
import type { Against } from "@/api/client";
import { useAgainst } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Scroll } from "@/components/Scroll";
import { usePanel } from "@/lib/address";
import { RESULTS_COLUMN } from "@/lib/columns";
import { useJobEditor } from "@/lib/useJobEditor";
import { QUESTION_LABELS, STATE_WORDS } from "@/lib/words";

/** As found against as planned: every answer and what a driver feels, in figures and in words. */
export function AgainstView() {
  const editor = useJobEditor();
  const found = useAgainst(editor.entered.id, editor.entered.revision, editor.looked);
  return (
    <Scroll label="Found against planned" className={RESULTS_COLUMN}>
      <h1 className="border-b border-ink pb-1 text-head font-bold">Found against planned</h1>
      {found.error && !found.data ? <p>▲ {found.error.message}</p> : null}
      {found.data && <Both found={found.data} />}
    </Scroll>
  );
}

function Both({ found }: { found: Against }) {
  const parts = [
    ...found.renewed.map((part) => `${part} renewed`),
    ...found.dressed.map((part) => `${part} dressed`),
  ];
  return (
    <div data-testid="against">
      <p className="my-2 max-w-prose text-field font-semibold">
        {found.says.length > 0
          ? `${found.says.join(", ")}.`.replace(/^./, (first) => first.toUpperCase())
          : "Nothing a driver would feel differs yet."}
      </p>
      <p className="mb-3 max-w-prose text-soft">
        {parts.length > 0
          ? `${parts.join(", ")}; the rest stays. What was read of a part that comes out counts as found only.`
          : "Every part stays. Say which are renewed: what was read of the old one then stays with the old one."}
      </p>
      {found.notes.map((note) => (
        <p key={note} className="mb-3 max-w-prose text-soft">
          {note}
        </p>
      ))}
      <table className="w-full">
        <Heads first="Answer" />
        <tbody>
          {found.answers.map(({ question, found: before, planned, sentence }) => (
            <tr key={question} className="border-b border-hair align-baseline">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {QUESTION_LABELS[question]}
              </th>
              <td className="py-1 pr-3 text-soft">{STATE_WORDS[before] ?? before}</td>
              <td className="py-1">
                <span className="font-bold">{STATE_WORDS[planned] ?? planned}</span>
                <span className="block text-note text-soft">{sentence}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="mt-5 w-full">
        <Heads first="Figure" />
        <tbody>
          {found.changes.map(({ name, label, found: before, planned, same }) => (
            <tr key={name} className="border-b border-hair align-baseline" data-change={name}>
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                <Named name={name} label={label} />
                {same && <span className="text-note text-soft"> stays</span>}
              </th>
              <td className="py-1 pr-3 text-soft">{before ? <Figure value={before} /> : "open"}</td>
              <td className={`py-1 ${same ? "" : "font-bold"}`}>
                {planned ? <Figure value={planned} /> : "open"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What a figure is called; it opens the working of what is planned, where there is one. */
function Named({ name, label }: { name: string; label: string }) {
  const panel = usePanel();
  const { shown } = useJobEditor();
  if (!shown.results.some((result) => result.name === name)) return label;
  return (
    <Link className="plain-link" to={panel({ working: name, stage: "planned" })} replace>
      {label}
    </Link>
  );
}

const Heads = ({ first }: { first: string }) => (
  <thead>
    <tr className="border-b border-ink text-left text-note text-soft">
      <th className="py-1 pr-3 font-normal">{first}</th>
      <th className="py-1 pr-3 font-normal">as found</th>
      <th className="py-1 font-normal">as planned</th>
    </tr>
  </thead>
);
