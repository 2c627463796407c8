import { useRef } from "react";
import type { Check, Measure } from "@/api/client";
import { Figure } from "@/components/Figure";
import { EndLabel, Plot, pathThrough } from "@/components/Plot";
import { useWidth } from "@/lib/useWidth";
import { bothSystems, rangeOf } from "@/lib/words";
import { type Shim, saidOf } from "./HowTaken";
import { Mark } from "./marks";
import type { Send } from "./send";
import { Working } from "./Working";

type All = Measure["proofs"];

/** Which sum of the set-up a check feeds. */
export const PROOF_OF: Record<string, keyof All> = {
  depth_x: "bearing",
  depth_y: "bearing",
  spacers: "bearing",
  floater_gap: "floater",
  floater_shims: "floater",
  shaft_reach: "shaft",
  bearing_height: "fork",
  face_cut: "cut",
  seat_cut: "cut",
  slave_travel: "air",
  end_float: "end_float",
  retainer_shims: "end_float",
  plate_count: "pack",
  plain_thickness: "pack",
};

/** What a sum waits for while its readings are missing. */
const WAITS: Record<keyof All, string> = {
  bearing: "X and Y, once each",
  floater: "all three stands",
  shaft: "all its depths, none left out: key 0 where there is no plate",
  fork: "both heights, and this job's fork ratio",
  cut: "what came off the face or the seat",
  air: "the hydraulics of this job and the travel",
  end_float: "the end float",
  pack: "counts or plain plates",
};

/** The sum of the set-up that belongs to a check, once its readings are there. */
export function Proof({ proofs, check, send }: { proofs: All; check: Check; send: Send }) {
  const which = PROOF_OF[check.name];
  if (!which) return null;
  const found = proofs[which];
  if (!found) return <p className="mt-2 text-soft">The sum waits for {WAITS[which]}.</p>;
  return (
    <section aria-label="Set-up" className="mt-3" data-testid={`proof-${which}`}>
      <p className="text-field">{found.sentence}</p>
      {which === "bearing" && proofs.bearing && <Bearing bearing={proofs.bearing} />}
      {check.name === "floater_gap" && <ShimSits check={check} send={send} />}
      {which === "floater" && proofs.floater && <Floater floater={proofs.floater} />}
      <Working lines={found.working} title="How the sum is worked out" />
    </section>
  );
}

/** Where a shim sits on this clutch decides what it does: asked, never guessed. */
function ShimSits({ check, send }: { check: Check; send: Send }) {
  return (
    <label className="mt-2 flex flex-wrap items-center gap-2 text-note font-semibold">
      A shim sits
      <select
        value={check.settings.shim ?? ""}
        onChange={(event) => void send({ say: { ...saidOf(check), shim: event.target.value as Shim } })}
        className="h-11 rounded-cut border border-line bg-sheet px-2 font-normal"
      >
        <option value="">not said: both ways shown</option>
        <option value="raises">under the stand: it raises the stop</option>
        <option value="lowers">under the plate: it closes the gap</option>
      </select>
    </label>
  );
}

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
    <>
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
      <p className="mt-1 text-note text-soft">
        Spacers are clocked: the holes line up one way. Line and dust shield go on before the gearbox; after
        it there is no hand room.
      </p>
    </>
  );
}

/** Stand by stand: the gap as measured (hollow), with its shims (filled), and the window it belongs into. */
function Floater({ floater }: { floater: NonNullable<All["floater"]> }) {
  const mm = (figures: readonly { si: number | null }[]) => figures.map((f) => (f.si ?? 0) * 1000);
  const [wear, inner, outer] = [mm(floater.wear), mm(floater.inner), mm(floater.outer)];
  const most = Math.max(...inner, ...outer, 0.1);
  const end = wear.at(-1) ?? 0;
  return (
    <>
      {floater.ways.map((way) => (
        <figure key={way.way} className="mt-3" data-way={way.way}>
          <figcaption className="flex items-center gap-2 font-semibold">
            <Mark verdict={way.comes_right ? "reuse" : "put right"} /> Shims {way.about}
          </figcaption>
          <Stands
            stands={way.stands}
            window={floater.window}
            low={floater.window_low}
            high={floater.window_high}
          />
        </figure>
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
    </>
  );
}

type Way = NonNullable<All["floater"]>["ways"][number];
type Window = Pick<NonNullable<All["floater"]>, "window"> &
  Record<"low" | "high", Parameters<typeof bothSystems>[0]>;

const ROW = 46;

function Stands({ stands, window, low, high }: { stands: Way["stands"] } & Window) {
  const frame = useRef<HTMLDivElement>(null);
  const width = Math.max(useWidth(frame, 380), 240);
  const x = (share: number) => 8 + share * (width - 16);
  const height = 18 + stands.length * ROW;
  return (
    <div ref={frame}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label="Gap of each stand, without and with its shims"
      >
        <rect
          x={x(window.start)}
          y={16}
          width={x(window.end) - x(window.start)}
          height={height - 18}
          fill="var(--now-wash)"
          stroke="var(--now)"
        />
        <text
          x={x(window.end)}
          y={11}
          textAnchor={window.end > 0.6 ? "end" : "start"}
          className="text-[12px]"
          fill="var(--ink)"
        >
          {rangeOf(low, high)}
        </text>
        {stands.map((stand, i) => {
          const y = 44 + i * ROW;
          const [from, to] = [x(stand.before_at), x(stand.after_at)];
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: stand 1, 2, 3
            <g key={i} data-stand={i + 1}>
              <path d={`M${x(0)} ${y}H${width - 8}`} stroke="var(--line)" />
              <path d={`M${from} ${y}H${to}`} stroke="var(--ink)" strokeWidth="2" />
              <circle cx={from} cy={y} r="4.5" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.5" />
              <rect x={to - 3} y={y - 9} width="6" height="18" fill="var(--ink)" />
              <text x={x(0)} y={y - 12} className="text-[13px] font-semibold" fill="var(--ink)">
                Stand {i + 1}: {stand.pieces.join(" and ") || "no shim"}, {bothSystems(stand.after)}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
