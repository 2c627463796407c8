import type { Check, Sweep } from "@/api/client";
import { bothSystems } from "@/lib/words";

const R = 100;
const BOX = 150;
const rad = (degrees: number) => (degrees * Math.PI) / 180;
const spot = (degrees: number, radius: number): [number, number] => [
  Math.sin(rad(degrees)) * radius * R,
  -Math.cos(rad(degrees)) * radius * R,
];
const round = ({ angles, radii }: Sweep["curve"]) =>
  `M${angles
    .map((angle, i) =>
      spot(angle, radii[i] ?? 1)
        .map((v) => v.toFixed(2))
        .join(" "),
    )
    .join("L")}Z`;

type Props = { check: Check; here: string | null };

/** The circle that is swept, seen from the gearbox side: readings exaggerated, the fitted circle, its centre, the dowel. */
export function Clock({ check, here }: Props) {
  const sweep = check.sweep;
  const read = new Set(check.readings.map((reading) => reading.place));
  const mirrored = check.settings.seen_from === "engine";
  const dowel = sweep?.dowels.find((each) => each.offset.si !== 0 && each === sweep.dowels[0]);
  return (
    <figure className="my-3 w-full max-w-[19rem]" data-testid="clock">
      <svg
        viewBox={`${-BOX} ${-BOX} ${2 * BOX} ${2 * BOX}`}
        className="w-full"
        role="img"
        aria-label={sweep ? words(sweep) : "Circle to sweep, nothing fitted yet"}
      >
        <circle r={R} fill="none" stroke="var(--line)" strokeDasharray="2 4" />
        <path d="M0 -8V8M-8 0H8" stroke="var(--ink)" />
        {sweep?.limit != null && (
          <circle r={sweep.limit * R} fill="none" stroke="var(--ink)" strokeDasharray="5 3" />
        )}
        {check.places
          .filter((place) => !place.key.endsWith("again"))
          .map((place) => {
            const counted = Number.parseFloat(place.key);
            const angle = mirrored ? -counted : counted;
            const [x, y] = spot(angle, 1.36);
            const now = here === place.key;
            return (
              <g key={place.key}>
                <path d={`M${spot(angle, 1.02)}L${spot(angle, 1.18)}`} stroke="var(--hair)" />
                <text
                  x={x}
                  y={y + 4}
                  textAnchor="middle"
                  className="font-figure text-[12px]"
                  fontWeight={now ? 700 : 400}
                  fill={now ? "var(--now)" : read.has(place.key) ? "var(--ink)" : "var(--soft)"}
                >
                  {place.key}
                </text>
                {now && <circle cx={spot(angle, 1.1)[0]} cy={spot(angle, 1.1)[1]} r="6" fill="var(--now)" />}
              </g>
            );
          })}
        {sweep && (
          <>
            <path d={round(sweep.curve)} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
            {sweep.points.angles.map((angle, i) => {
              const [x, y] = spot(angle, sweep.points.radii[i] ?? 1);
              return (
                <circle
                  // biome-ignore lint/suspicious/noArrayIndexKey: readings are an append-only list
                  key={i}
                  cx={x}
                  cy={y}
                  r="3.5"
                  fill="var(--now)"
                />
              );
            })}
            {check.before && (
              <circle
                cx={check.before.right * R * scaleOf(check.before, sweep)}
                cy={-check.before.up * R * scaleOf(check.before, sweep)}
                r="4"
                fill="none"
                stroke="var(--soft)"
              />
            )}
            <path d={`M0 0L${sweep.right * R} ${-sweep.up * R}`} stroke="var(--now)" strokeWidth="2" />
            <circle
              cx={sweep.right * R}
              cy={-sweep.up * R}
              r="4.500"
              fill="var(--now)"
              data-testid="centre"
              data-right={sweep.right}
              data-up={sweep.up}
            />
          </>
        )}
        {dowel && (
          <g transform={`rotate(${dowel.clock})`} data-testid="dowel" data-clock={dowel.clock}>
            <path d="M0 -70L-7 -56H7Z" fill="var(--ink)" />
            <text
              y={-44}
              textAnchor="middle"
              className="text-[11px]"
              fill="var(--ink)"
              transform={`rotate(${-dowel.clock} 0 -48)`}
            >
              high side
            </text>
          </g>
        )}
      </svg>
      <figcaption className="text-note text-soft">
        Seen from the gearbox side, 0° at the top, clockwise.
        {mirrored ? " The angles are counted from the engine side, so they run the other way here." : ""}
        {sweep && ` The circle's radius stands for ${bothSystems(sweep.radius)} of deviation.`}
      </figcaption>
    </figure>
  );
}

/** The sweep before is drawn to the scale of the one now. */
const scaleOf = (before: Sweep, now: Sweep) => (before.radius.si ?? 1) / (now.radius.si || 1);

const words = (sweep: Sweep) =>
  sweep.face
    ? `Highest towards ${sweep.direction_words}, total indicator reading ${bothSystems(sweep.tir)}`
    : `Centre ${bothSystems(sweep.eccentricity)} off towards ${sweep.direction_words}, total indicator reading ${bothSystems(sweep.tir)}`;
