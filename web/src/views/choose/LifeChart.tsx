import { scaleLinear } from "d3-scale";
import type { Section } from "@/api/client";
import { Slide } from "@/components/Slide";
import { along, alongSome, digits, type Place } from "@/lib/motion";
import { writing } from "@/lib/units";
import { Heading } from "./StrokeChart";

type Props = { section: Section; place: Place; width: number; onWear: (share: number) => void };

const HEIGHT = 96;
const LEFT = 44;
const RIGHT = 12;

/** Clamp margin from new to worn out with what ends the life; the slider below is the wear. */
export function LifeChart({ section, place, width, onWear }: Props) {
  const { life } = section;
  const { write } = writing(section.inch);
  const most = section.wear[section.wear.length - 1] ?? 0;
  const wear = place.wear * most;
  const margin = life ? alongSome(life.margin, place.wear) : null;
  const clamp = life ? alongSome(life.clamp, place.wear) : null;
  const says =
    margin === null || clamp === null
      ? ""
      : `holds ${digits(margin)} × at nominal friction · clamp ${write("force", clamp, 0)}`;
  const over = life?.ends.find((end) => end.at <= wear + 1e-6 && most > 0);
  return (
    <section aria-label="Life over wear" data-testid="life">
      <Heading title={`Worn ${write("length", wear, 2)}`} says={says} />
      {life && most > 0 ? (
        <Curve section={section} place={place} width={width} />
      ) : (
        <p className="grid h-24 content-center text-note text-soft">
          The margin over wear waits for engine, facing and clamp.
        </p>
      )}
      <div data-slide="wear" style={{ paddingLeft: LEFT - 8, paddingRight: RIGHT - 8 }}>
        <Slide
          label="Wear of the stack"
          value={place.wear}
          words={`${write("length", wear, 2)} worn${says && `: ${says}`}`}
          onValue={onWear}
          disabled={most === 0}
        />
      </div>
      <p className="-mt-1 min-h-[1.1rem] text-note" role="status" data-testid="life-says">
        {over ? (
          <span className="font-semibold">▲ {over.sentence}.</span>
        ) : (
          life?.ends[0] && (
            <span className="text-soft">
              {life.ends[0].sentence}. {life.service}
            </span>
          )
        )}
      </p>
    </section>
  );
}

function Curve({ section, place, width }: Omit<Props, "onWear">) {
  const { found } = section;
  const life = section.life;
  if (!life) return null;
  const values = life.margin.filter((value): value is number => value !== null);
  const high = Math.max(life.target, ...values) * 1.15;
  const low = Math.min(life.target, ...values) * 0.8;
  const most = life.wear[life.wear.length - 1] ?? 1;
  const x = scaleLinear([0, 1], [LEFT, width - RIGHT]);
  const y = scaleLinear([low, high], [HEIGHT - 16, 4]);
  const path = life.margin
    .map((value, i) =>
      value === null ? "" : `${x(i / (life.margin.length - 1)).toFixed(1)} ${y(value).toFixed(1)}`,
    )
    .filter(Boolean)
    .join("L");
  const here = alongSome(life.margin, place.wear);
  const first = y(values[0] ?? life.target) - y(life.target);
  const clear = first < 0 && first > -18 ? 12 : -3; // on the side of the line where the margin does not run
  const ends = life.ends.filter((end) => end.at <= most * 1.0001);
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label="Margin over wear">
      <g className="font-figure text-[11px]" fill="var(--soft)">
        {y.ticks(3).map((value) => (
          <g key={value}>
            <path d={`M${LEFT} ${y(value)}H${width - RIGHT}`} stroke="var(--hair)" />
            <text x={LEFT - 5} y={y(value) + 4} textAnchor="end">
              {value.toFixed(1)}
            </text>
          </g>
        ))}
      </g>
      <path
        d={`M${LEFT} ${y(life.target)}H${width - RIGHT}`}
        stroke="var(--ink)"
        strokeDasharray="5 4"
        strokeWidth="1.2"
      />
      <text x={LEFT + 3} y={y(life.target) + clear} className="text-[11px]" fill="var(--ink)">
        asked {digits(life.target)}
      </text>
      <path d={`M${path}`} fill="none" stroke="var(--ink)" strokeWidth="2" data-role="margin" />
      {found > 0 && (
        <g data-testid="wear-found">
          <path
            d={`M${x(Math.min(found / most, 1))} ${HEIGHT - 16}v-10`}
            stroke="var(--ink)"
            strokeWidth="3"
          />
          <text
            x={x(Math.min(found / most, 1)) + 5}
            y={HEIGHT - 20}
            className="text-[11px]"
            fill="var(--ink)"
          >
            found
          </text>
        </g>
      )}
      {ends.map((end, i) => (
        <g key={end.name} data-end={end.name}>
          <path
            d={`M${x(end.at / most)} 4V${HEIGHT - 16}`}
            stroke="var(--ink)"
            strokeWidth={i === 0 ? 3 : 1}
            strokeDasharray={i === 0 ? undefined : "2 3"}
          />
          {i === 0 && (
            <text
              x={x(end.at / most) + (end.at / most > 0.5 ? -5 : 5)}
              y={HEIGHT - 20}
              textAnchor={end.at / most > 0.5 ? "end" : "start"}
              className="text-[11px] font-bold"
              fill="var(--ink)"
            >
              ends: {end.name}
            </text>
          )}
        </g>
      ))}
      {place.wear >= 0 && (
        <path d={`M${x(place.wear)} 2V${HEIGHT - 16}`} stroke="var(--now)" strokeWidth="1.2" />
      )}
      {here !== null && <circle cx={x(place.wear)} cy={y(here)} r="4.500" fill="var(--now)" />}
      <text x={width - RIGHT} y={HEIGHT - 3} textAnchor="end" className="text-[11px]" fill="var(--soft)">
        {writing(section.inch).write("length", along(section.wear, 1), 2)}
      </text>
      <text x={LEFT} y={HEIGHT - 3} className="text-[11px]" fill="var(--soft)">
        bite margin, nominal friction
      </text>
    </svg>
  );
}
