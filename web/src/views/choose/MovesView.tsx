import { useId } from "react";
import { Link } from "react-router";
import type { Moves } from "@/api/client";
import { useMoves } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Scroll } from "@/components/Scroll";
import { useAddress, usePanel } from "@/lib/address";
import { first } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";
import { Chance } from "./Chance";

/** What moves a result most, and how sure it is under the tolerances typed. */
export function MovesView() {
  const editor = useJobEditor();
  const [search, put] = useAddress();
  const panel = usePanel();
  const id = useId();
  const result = search.get("result") ?? "bite_margin";
  const moves = useMoves(editor.entered.id, editor.entered.revision, editor.looked, result);
  return (
    <Scroll label="What moves it" className="h-full overflow-y-auto px-6 py-4">
      <h1 className="sr-only">What moves it</h1>
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <div>
          <label htmlFor={id} className="block font-semibold">
            What moves
          </label>
          <select
            id={id}
            value={result}
            onChange={(event) => put({ result: event.target.value })}
            className="mt-1 h-11 min-w-[22rem] rounded-cut border border-line bg-sheet px-2 text-field"
          >
            {(moves.data?.results ?? [{ name: result, label: result }]).map((r) => (
              <option key={r.name} value={r.name}>
                {r.label}
              </option>
            ))}
          </select>
        </div>
        <Link className="button" to={panel({ ask: result })} replace>
          Ask it backwards
        </Link>
      </div>
      {moves.error && <p className="mt-4 font-semibold">▲ {moves.error.message}</p>}
      {moves.data && <Sheet moves={moves.data} />}
    </Scroll>
  );
}

function Sheet({ moves }: { moves: Moves }) {
  if (moves.trouble) return <p className="mt-4 font-semibold">▲ {moves.trouble}</p>;
  if (moves.needs.length > 0) {
    return (
      <p className="mt-4">
        It has no value yet; it needs {moves.needs.map((n) => n.label.toLowerCase()).join(", ")}.
      </p>
    );
  }
  return (
    <div className="mt-4 grid gap-x-10 gap-y-6 wide:grid-cols-[3fr_2fr]">
      <Effects moves={moves} />
      <Chance moves={moves} />
    </div>
  );
}

/** Bars from 5 % less to 5 % more of each input, strongest first, about the value as it stands. */
function Effects({ moves }: { moves: Moves }) {
  const nominal = moves.spread?.nominal.si ?? null;
  const ends = moves.influences.flatMap((e) => [e.low?.si, e.high?.si].filter((v): v is number => v != null));
  const at = nominal ?? ends[0] ?? 0;
  const reach = Math.max(...ends.map((v) => Math.abs(v - middle(moves, at))), 1e-12);
  return (
    <table className="w-full self-start" data-testid="influences">
      <caption className="border-b border-ink pb-1 text-left text-head font-bold">
        Each input 5 % less and 5 % more
      </caption>
      <tbody>
        {moves.influences.map((influence, i) => {
          const centre = middle(moves, at);
          const x = (value: number | null | undefined) => 50 + (((value ?? centre) - centre) / reach) * 48;
          const [low, high] = [x(influence.low?.si), x(influence.high?.si)];
          return (
            <tr key={influence.name} className="border-b border-hair" data-influence={influence.name}>
              <th scope="row" className="w-[38%] py-1.5 pr-2 text-left font-normal">
                <span className="figure text-note text-soft">{i + 1}</span> {influence.label}
                {influence.value && (
                  <span className="block text-note text-soft">
                    <Figure value={influence.value} />
                  </span>
                )}
              </th>
              <td className="w-[40%]">
                <svg
                  viewBox="0 0 100 16"
                  preserveAspectRatio="none"
                  className="h-6 w-full"
                  aria-hidden="true"
                >
                  <path d="M50 0V16" stroke="var(--ink)" vectorEffect="non-scaling-stroke" />
                  <rect
                    x={Math.min(low, 50)}
                    y="3"
                    width={Math.abs(50 - low)}
                    height="10"
                    fill="none"
                    stroke="var(--ink)"
                    vectorEffect="non-scaling-stroke"
                  />
                  <rect
                    x={Math.min(high, 50)}
                    y="3"
                    width={Math.abs(high - 50)}
                    height="10"
                    fill="var(--ink)"
                  />
                </svg>
              </td>
              <td className="figure whitespace-nowrap py-1.5 text-right text-note">
                {influence.low && first(influence.low).figure} to{" "}
                <span className="font-bold">{influence.high && first(influence.high).figure}</span>{" "}
                {influence.high && first(influence.high).unit}
                {influence.swing && (
                  <span className="block text-soft">± typed: {first(influence.swing).figure} in all</span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The value all bars stand about: half way between an input's two ends, for small steps. */
function middle(moves: Moves, fallback: number): number {
  const first = moves.influences.at(-1);
  if (first?.low?.si == null || first.high?.si == null) return fallback;
  return (first.low.si + first.high.si) / 2;
}
