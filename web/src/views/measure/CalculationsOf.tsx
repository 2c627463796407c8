import type { Calculation, Check } from "@/api/client";
import { useCatalogue } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { bothSystems } from "@/lib/words";
import { saidOf } from "./HowTaken";
import { LengthRows } from "./LengthRows";
import { LengthRuler } from "./LengthRuler";
import { LinesChart } from "./LinesChart";
import { Mark, type Verdict } from "./marks";
import type { Send } from "./send";
import { Working } from "./Working";

/** What a calculation of the set-up says of what it was worked out for. */
type Shown = Calculation["shows"][number];

/** The calculations of the set-up that a check feeds: what they come to, or what they wait for. */
export function CalculationsOf({
  calculations,
  check,
  send,
}: {
  calculations: readonly Calculation[];
  check: Check;
  send: Send;
}) {
  const words = useCatalogue().data?.setup_verdicts;
  return calculations
    .filter((each) => each.checks.includes(check.name))
    .map((each) =>
      each.waits_for ? (
        <p key={each.name} className="mt-2 text-soft">
          The calculation waits for {each.waits_for}.
        </p>
      ) : (
        <section
          key={each.name}
          aria-label={each.label}
          className="mt-3"
          data-testid={`calculation-${each.name}`}
        >
          <p className="text-field">
            {each.verdict && (
              <b className="mr-2 inline-flex items-center gap-1.5">
                <Mark verdict={each.verdict} className="size-4" />
                {words?.[each.verdict] ?? each.verdict}.
              </b>
            )}
            {each.sentence}
          </p>
          {each.asks?.check === check.name && <Asked asked={each.asks} check={check} send={send} />}
          {each.shows.map((shown, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: what is shown comes in one order
            <ShownOf key={i} shown={shown} />
          ))}
          <Working lines={each.working} title="How it is calculated" />
        </section>
      ),
    );
}

/** What the readings do not say is asked, never guessed. */
function Asked({
  asked,
  check,
  send,
}: {
  asked: NonNullable<Calculation["asks"]>;
  check: Check;
  send: Send;
}) {
  return (
    <label className="mt-2 flex flex-wrap items-center gap-2 text-note font-semibold" data-asked={check.name}>
      {asked.label}
      <select
        value={asked.said}
        onChange={(event) =>
          void send({ say: { ...saidOf(check), asked: { [asked.name]: event.target.value } } })
        }
        className="h-11 rounded-cut border border-line bg-sheet px-2 font-normal"
      >
        {asked.options.map((option) => (
          <option key={option.name} value={option.name}>
            {option.label}
          </option>
        ))}
      </select>
    </label>
  );
}

function ShownOf({ shown }: { shown: Shown }) {
  if (shown.kind === "ruler")
    return shown.moves.length > 0 ? <LengthRows ruler={shown} /> : <LengthRuler ruler={shown} />;
  if (shown.kind === "table") return <Rows table={shown} />;
  if (shown.kind === "lines") return <LinesChart lines={shown} />;
  if (!shown.verdict) return <p className="mt-1 text-note text-soft">{shown.text}</p>;
  return (
    <p className="mt-3 flex items-center gap-2 font-semibold">
      <Mark verdict={shown.verdict as Verdict} /> {shown.text}
    </p>
  );
}

function Rows({ table }: { table: Extract<Shown, { kind: "table" }> }) {
  return (
    <table
      className="mt-2 w-full max-wide:text-note max-wide:[&_.figure]:text-note"
      aria-label={table.about}
      data-testid="stacks"
    >
      <thead>
        <tr className="text-left text-note text-soft">
          {table.heads.map((head) => (
            <th key={head} scope="col" className="py-0.5 pr-2 font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.rows.map(([first, ...cells], i) => (
          <tr
            key={first?.text || i}
            className={`border-b border-hair align-baseline ${i === 0 ? "font-bold" : "font-normal"}`}
          >
            <th scope="row" className="py-1 pr-2 text-left [font-weight:inherit]">
              {first?.text}
            </th>
            {cells.map((cell, column) => (
              <td
                key={table.heads[column + 1]}
                className="pr-2 max-wide:pr-1"
                title={cell.value ? bothSystems(cell.value) : undefined}
              >
                {cell.value ? <Figure value={cell.value} /> : <span className="text-note">{cell.text}</span>}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
