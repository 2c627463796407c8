import { scaleLinear } from "d3-scale";
import type { Section } from "@/api/client";
import { Slide } from "@/components/Slide";
import { along, alongSome, at, type Place } from "@/lib/motion";
import { writing } from "@/lib/units";

type Props = { section: Section; place: Place; width: number; onPedal: (share: number) => void };

const HEIGHT = 96;
const LEFT = 44;
const RIGHT = 12;

const lever = (section: Section) => (section.parts.some((p) => p.name === "basket") ? "Lever" : "Pedal");

/** Effort over the stroke with the bite point and what stops it; the slider below is the pedal. */
export function StrokeChart({ section, place, width, onPedal }: Props) {
  const { effort, pedal } = section;
  const name = lever(section);
  const travel = along(pedal, place.pedal);
  const { write } = writing(section.inch);
  const reading = readingOf(section, place);
  return (
    <section aria-label="Stroke" data-testid="stroke">
      <Heading title={effort ? `${name} ${write("length", travel)}` : name} says={effort ? reading : ""} />
      {effort ? (
        <Curve section={section} place={place} width={width} />
      ) : (
        <p className="grid h-24 content-center text-note text-soft">
          The {name.toLowerCase()} moves once these are known:{" "}
          {section.needs.map((need) => need.label.toLowerCase()).join(", ")}.
        </p>
      )}
      <div data-slide="pedal" style={{ paddingLeft: LEFT - 8, paddingRight: RIGHT - 8 }}>
        <Slide
          label={`${name} travel`}
          value={place.pedal}
          words={`${write("length", travel)}: ${reading}`}
          onValue={onPedal}
          disabled={!effort}
        />
      </div>
      <p className="-mt-1 min-h-[1.1rem] truncate text-note" role="status">
        {place.pedal >= 0.999 && section.stop ? (
          <span className="font-semibold">▲ Stops at {section.stop.sentence}.</span>
        ) : (
          warning(section, travel)
        )}
      </p>
    </section>
  );
}

function warning(section: Section, travel: number) {
  const passed = section.warns.find((limit) => limit.at <= travel);
  if (passed) return <span className="font-semibold">▲ {passed.sentence}.</span>;
  const next = section.warns[0];
  return next ? <span className="text-soft">Limit at {next.sentence}.</span> : null;
}

/** What the stroke gives here, in words. */
export function readingOf(section: Section, place: Place): string {
  const { write } = writing(section.inch);
  const parts = [`lifts ${write("length", at(section.lift, place))}`];
  if (section.effort) parts.push(write("force", at(section.effort, place)));
  if (section.pressure) parts.push(write("pressure", at(section.pressure, place)));
  return parts.join(" · ");
}

export const Heading = ({ title, says }: { title: string; says: string }) => (
  <p className="flex flex-wrap items-baseline justify-between gap-x-3 border-b border-ink">
    <span className="font-bold">{title}</span>
    <span className="figure text-note">{says}</span>
  </p>
);

function Curve({ section, place, width }: Omit<Props, "onPedal">) {
  const effort = section.effort ?? [];
  const limit = section.effort_limit;
  const most = Math.max(limit ?? 0, ...effort.flat()) * 1.12;
  const x = scaleLinear([0, 1], [LEFT, width - RIGHT]);
  const y = scaleLinear([0, most], [HEIGHT - 16, 4]);
  const { factor, unit, write } = writing(section.inch);
  const ruler = y.copy().domain([0, most * factor("force")]);
  const steps = section.pedal.map((_, i) => i / (section.pedal.length - 1));
  const line = (wear: number) =>
    `M${steps.map((pedal) => `${x(pedal).toFixed(1)} ${y(at(effort, { pedal, wear })).toFixed(1)}`).join("L")}`;
  const passes = section.passes;
  const whole = passes ? Math.max(1, ...passes.map((row) => row[0] ?? 0)) : 1;
  const area = passes
    ? `M${LEFT} ${y(0)}L${steps
        .map((pedal) => `${x(pedal).toFixed(1)} ${y((at(passes, { ...place, pedal }) / whole) * most * 0.9)}`)
        .join("L")}L${x(1)} ${y(0)}Z`
    : "";
  const end = section.pedal[section.pedal.length - 1] ?? 1;
  const bite = alongSome(section.bite_point, place.wear);
  return (
    <svg
      width={width}
      height={HEIGHT}
      role="img"
      aria-label={`Effort over travel; ${readingOf(section, place)}`}
    >
      <path d={area} fill="var(--hair)" opacity="0.55" />
      <g className="font-figure text-[11px]" fill="var(--soft)">
        {ruler.ticks(3).map((value) => (
          <g key={value}>
            <path d={`M${LEFT} ${ruler(value)}H${width - RIGHT}`} stroke="var(--hair)" />
            <text x={LEFT - 5} y={ruler(value) + 4} textAnchor="end">
              {value}
              {value === ruler.ticks(3).at(-1) ? ` ${unit("force")}` : ""}
            </text>
          </g>
        ))}
      </g>
      {limit !== null && limit <= most && (
        <g>
          <path
            d={`M${LEFT} ${y(limit)}H${width - RIGHT}`}
            stroke="var(--ink)"
            strokeDasharray="5 4"
            strokeWidth="1.2"
          />
          <text x={width - RIGHT} y={y(limit) - 3} textAnchor="end" className="text-[11px]" fill="var(--ink)">
            most allowed
          </text>
        </g>
      )}
      {place.wear > 0.005 && <path d={line(0)} fill="none" stroke="var(--line)" strokeDasharray="2 3" />}
      <path d={line(place.wear)} fill="none" stroke="var(--ink)" strokeWidth="2" data-role="effort" />
      {bite !== null && (
        <g data-testid="bite-point">
          <path d={`M${x(bite / end)} ${y(0)}V8`} stroke="var(--ink)" strokeDasharray="2 2" />
          <text x={x(bite / end) + 4} y={y(0) - 5} className="text-[11px]" fill="var(--ink)">
            bites {write("length", bite, 0)} below rest, {Math.round((bite / end) * 100)} %
          </text>
        </g>
      )}
      {section.warns.map((warn) => (
        <path
          key={warn.name}
          d={`M${x(warn.at / end)} ${y(0)}V${HEIGHT - 30}`}
          stroke="var(--ink)"
          strokeWidth="3"
        />
      ))}
      <path d={`M${x(place.pedal)} 2V${y(0)}`} stroke="var(--now)" strokeWidth="1.2" />
      <circle cx={x(place.pedal)} cy={y(at(effort, place))} r="4.500" fill="var(--now)" />
      <text x={width - RIGHT} y={HEIGHT - 3} textAnchor="end" className="text-[11px]" fill="var(--soft)">
        {write("length", end)}
      </text>
      <text x={LEFT} y={HEIGHT - 3} className="text-[11px]" fill="var(--soft)">
        effort; shaded: torque still passed
        {passes && `, here ${write("torque", at(passes, place), 0)}`}
      </text>
    </svg>
  );
}
