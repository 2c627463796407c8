import type { Moves } from "@/api/client";
import { Plot } from "@/components/Plot";
import { first } from "@/lib/units";

export function Chance({ moves }: { moves: Moves }) {
  const { spread } = moves;
  if (!spread) return null;
  if (first(spread.worst).figure === first(spread.best).figure) {
    return (
      <section className="self-start" data-testid="chance">
        <h2 className="border-b border-ink pb-1 text-head font-bold">How sure it is</h2>
        <p className="mt-2">
          <span className="figure font-bold">
            {first(spread.nominal).figure} {first(spread.nominal).unit}
          </span>
          {spread.target !== null && (
            <>
              {" "}
              of <span className="figure">{spread.target}</span> asked
            </>
          )}
          , and nothing it rests on has a tolerance. Type one with its figure, <i>240 ± 0.2 mm</i>, and the
          chance of falling short stands here.
        </p>
      </section>
    );
  }
  const most = Math.max(...spread.counts, 1);
  const [start, end] = [spread.bins[0] ?? 0, spread.bins.at(-1) ?? 1];
  const x: [number, number] = [
    Math.min(start, spread.target ?? start),
    Math.max(end, spread.target ?? end) + 1e-9,
  ];
  return (
    <figure className="self-start" data-testid="chance">
      <figcaption className="border-b border-ink pb-1 text-head font-bold">How sure it is</figcaption>
      <Plot label="Spread of the result" x={x} y={[0, most]} xUnit="" yUnit="" height={170} right={16}>
        {(scales) => (
          <>
            {spread.counts.map((count, i) => {
              const [from, to] = [spread.bins[i] ?? 0, spread.bins[i + 1] ?? 0];
              const short = spread.target !== null && (from + to) / 2 < spread.target;
              return (
                <rect
                  key={from}
                  x={scales.x(from)}
                  y={scales.y(count)}
                  width={Math.max(scales.x(to) - scales.x(from) - 1, 0.6)}
                  height={scales.y(0) - scales.y(count)}
                  fill={short ? "var(--ink)" : "var(--hair)"}
                  stroke="var(--ink)"
                  strokeWidth="0.6"
                />
              );
            })}
            {spread.target !== null && (
              <g>
                <path
                  d={`M${scales.x(spread.target)} 0V${scales.y(0)}`}
                  stroke="var(--ink)"
                  strokeWidth="2"
                />
                <text
                  x={scales.x(spread.target) + 5}
                  y="14"
                  className="text-[12px] font-bold"
                  fill="var(--ink)"
                >
                  asked {spread.target}
                </text>
              </g>
            )}
          </>
        )}
      </Plot>
      <dl className="text-note">
        {spread.short !== null && (
          <Line term="Chance of falling short" bold>
            {(spread.short * 100).toFixed(spread.short < 0.1 ? 1 : 0)} %
          </Line>
        )}
        <Line term="95 of 100 lie between">
          {first(spread.low).figure} and {first(spread.high).figure} {first(spread.high).unit}
        </Line>
        <Line term="Everything at its worst, at its best">
          {first(spread.worst).figure}, {first(spread.best).figure} {first(spread.best).unit}
        </Line>
      </dl>
      <p className="mt-2 text-note text-soft">
        {moves.tolerances > 0
          ? `From ${moves.tolerances} tolerances typed and the friction band.`
          : "From the friction band alone: type a figure with its tolerance, 240 ± 0.2 mm, and it counts too."}{" "}
        {spread.samples.toLocaleString()} draws.
      </p>
    </figure>
  );
}

const Line = ({
  term,
  bold = false,
  children,
}: {
  term: string;
  bold?: boolean;
  children: React.ReactNode;
}) => (
  <div
    className={`flex justify-between gap-4 border-b border-hair py-1 ${bold ? "text-body font-bold" : ""}`}
  >
    <dt>{term}</dt>
    <dd className="figure text-right">{children}</dd>
  </div>
);
