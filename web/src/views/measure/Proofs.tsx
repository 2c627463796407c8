import { useRef } from "react";
import type { Measure } from "@/api/client";
import { Figure } from "@/components/Figure";
import { EndLabel, Plot, pathThrough } from "@/components/Plot";
import { useWidth } from "@/lib/useWidth";
import { bothSystems } from "@/lib/words";
import { Working } from "./Working";

type All = Measure["proofs"];

/** Which sum of the set-up a check feeds. */
export const PROOF_OF: Record<string, keyof All> = {
  depth_x: "bearing",
  depth_y: "bearing",
  spacers: "bearing",
  floater_gap: "floater",
  floater_shims: "floater",
  shaft_reach: "reach",
  bearing_height: "fork",
  slave_travel: "air",
  end_float: "end_float",
  retainer_shims: "end_float",
  plate_count: "pack",
  plain_thickness: "pack",
};

/** The sum of the set-up that belongs to a check, once its readings are there. */
export function Proof({ proofs, check }: { proofs: All; check: string }) {
  const which = PROOF_OF[check];
  if (!which) return null;
  if (which === "bearing")
    return proofs.bearing ? <Bearing bearing={proofs.bearing} /> : <Waits>X and Y, once each</Waits>;
  if (which === "floater")
    return proofs.floater ? <Floater floater={proofs.floater} /> : <Waits>all three stands</Waits>;
  if (which === "pack")
    return proofs.pack.map((sentence) => (
      <p key={sentence} className="mt-2 text-field" data-testid="proof-pack">
        {sentence}
      </p>
    ));
  if (which === "end_float") return proofs.end_float ? <p className="mt-2">{proofs.end_float}</p> : null;
  const found = proofs[which];
  if (!found) return which === "air" ? <Waits>the hydraulics of this job and the travel</Waits> : null;
  return (
    <p className="mt-2 text-field" data-testid={`proof-${which}`}>
      {found.sentence}
    </p>
  );
}

const Waits = ({ children }: { children: string }) => (
  <p className="mt-2 text-soft">The sum waits for {children}.</p>
);

const MARKS: Record<string, string> = {
  window: "window of this clutch",
  rule: "1/8 to 3/8 in",
  nominal: "1/4 in",
  none: "no spacer",
  best: "best stack",
};

function Bearing({ bearing }: { bearing: NonNullable<All["bearing"]> }) {
  const frame = useRef<HTMLDivElement>(null);
  const width = Math.max(useWidth(frame, 380), 240);
  const x = (share: number) => 8 + share * (width - 16);
  return (
    <section aria-label="Bearing set-up" className="mt-3" data-testid="proof-bearing">
      <p className="text-field">{bearing.sentence}</p>
      <p className="mt-1 text-note text-soft">
        X less Y is {bothSystems(bearing.cushion)}, ± {bothSystems(bearing.doubt)} by the readings.
      </p>
      <div ref={frame} className="mt-2">
        <svg width={width} height={112} role="img" aria-label="Cushion of the bearing on a ruler">
          <path d={`M${x(0)} 62H${width - 8}`} stroke="var(--ink)" strokeWidth="1.5" />
          <path d={`M${x(0)} 30V74`} stroke="var(--ink)" strokeWidth="4" />
          <text x={x(0) + 6} y={84} className="text-[12px]" fill="var(--soft)">
            bearing touches the fingers
          </text>
          {bearing.ruler.map(({ name, start: from, end: to }) => {
            const band = from !== to;
            const y = { window: 18, rule: 40, nominal: 40, none: 96, best: 104 }[name] ?? 40;
            return (
              <g key={name} data-mark={name}>
                {band ? (
                  <rect
                    x={x(from)}
                    y={y - 8}
                    width={x(to) - x(from)}
                    height={16}
                    fill={name === "window" ? "var(--now-wash)" : "none"}
                    stroke={name === "window" ? "var(--now)" : "var(--line)"}
                  />
                ) : (
                  <path
                    d={`M${x(from)} ${name === "nominal" ? 32 : 50}V${name === "nominal" ? 48 : 74}`}
                    stroke={name === "best" ? "var(--now)" : "var(--ink)"}
                    strokeWidth={name === "best" ? 5 : 2}
                  />
                )}
                {name !== "nominal" && (
                  <text
                    x={band ? (x(to) - x(from) < 130 ? x(to) + 6 : x(from) + 4) : x(from)}
                    y={band ? y + 4 : name === "best" ? 108 : 96}
                    textAnchor={band ? "start" : from > 0.7 ? "end" : "middle"}
                    className="text-[12px]"
                    fill="var(--ink)"
                  >
                    {MARKS[name]}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      </div>
      <table className="mt-2 w-full" data-testid="stacks">
        <thead>
          <tr className="text-left text-note text-soft">
            {["Spacers", "Stack", "Cushion", "Window", "1/8 to 3/8", "Off 1/4 in"].map((head) => (
              <th key={head} scope="col" className="py-0.5 pr-2 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {bearing.stacks.map((stack, i) => (
            <tr
              key={stack.pieces.join()}
              className={`border-b border-hair align-baseline ${i === 0 ? "font-bold" : "font-normal"}`}
            >
              <th scope="row" className="py-1 pr-2 text-left [font-weight:inherit]">
                {stack.pieces.join(", ") || "none"}
              </th>
              <td className="pr-2">{stack.pieces.length > 0 && <Figure value={stack.height} />}</td>
              <td className="pr-2">
                <Figure value={stack.cushion} />
              </td>
              <td className="pr-2 text-note">
                {stack.in_window === null ? "not known" : stack.in_window ? "inside" : "outside"}
              </td>
              <td className="pr-2 text-note">{stack.in_rule ? "inside" : "outside"}</td>
              <td className="text-note">{bothSystems(stack.off_nominal).split(" · ")[1]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Working lines={bearing.working} />
      <p className="mt-1 text-note text-soft">
        Spacers are clocked: the holes line up one way. Line and dust shield go on before the gearbox; after
        it there is no hand room.
      </p>
    </section>
  );
}

function Floater({ floater }: { floater: NonNullable<All["floater"]> }) {
  const mm = (figures: readonly { si: number | null }[]) => figures.map((f) => (f.si ?? 0) * 1000);
  const [wear, inner, outer] = [mm(floater.wear), mm(floater.inner), mm(floater.outer)];
  const most = Math.max(...inner, ...outer, 0.1);
  const end = wear.at(-1) ?? 0;
  return (
    <section aria-label="Floater set-up" className="mt-3" data-testid="proof-floater">
      {floater.stands.map((stands) => (
        <div key={String(stands.opens)} className="mb-2" data-opens={stands.opens}>
          <p className="font-semibold">
            {stands.opens
              ? "Where a shim raises the stop (under the stand)"
              : "Where a shim lowers the gap (under the plate)"}
            : {stands.in_window && stands.alike ? "all three come right" : "not all three come right"}
          </p>
          <ul className="text-note">
            {stands.gaps.map((gap, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: stand 1, 2, 3
              <li key={i}>
                Stand {i + 1}: {stands.pieces[i]?.join(" and ") || "no shim"}, then{" "}
                <span className="figure font-bold">{bothSystems(gap)}</span>
              </li>
            ))}
          </ul>
        </div>
      ))}
      {wear.length > 0 && end > 0 && (
        <>
          <Plot
            label="Free travel of both discs as the inner one wears"
            x={[0, end]}
            y={[Math.min(0, ...outer), most]}
            xUnit="mm worn"
            yUnit="mm"
            height={150}
          >
            {(scales) => (
              <>
                <path
                  d={pathThrough(wear, inner, scales)}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                />
                <path
                  d={pathThrough(wear, outer, scales)}
                  fill="none"
                  stroke="var(--now)"
                  strokeWidth="2.5"
                />
                <EndLabel at={[scales.x(end), scales.y(inner.at(-1) ?? 0)]}>inner disc</EndLabel>
                <EndLabel at={[scales.x(end), scales.y(outer.at(-1) ?? 0)]}>outer disc</EndLabel>
              </>
            )}
          </Plot>
          <p className="text-note">
            {floater.wants_shims_at
              ? `The stands want new shims when the inner disc has worn ${bothSystems(floater.wants_shims_at)}: the outer one drags from there.`
              : "The stops are fixed to the flywheel: as the inner disc wears, the outer one loses its gap."}
          </p>
        </>
      )}
    </section>
  );
}
