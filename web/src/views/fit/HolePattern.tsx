import { type PointerEvent, useState } from "react";
import type { Plan, WordsOf } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { photoAddress, usePhotos } from "@/api/photos";
import { Labelled } from "@/components/Labelled";
import { Refused } from "@/components/Refused";
import { SaveLink } from "@/components/SaveLink";
import { useForm } from "@/lib/useForm";

type Joint = Plan["bolt_maps"][number];
type Hole = Joint["holes"][number];
type Props = {
  job: number;
  map: Joint;
  say: SayPlan;
  tell: (sending: Promise<string | null>) => Promise<boolean>;
};

/** Half the drawing, and the radius that is 1 on it. */
const HALF = 60;
const ONE = 44;

/** Where the holes of a joint are: dragged on their circle or over a photo, and the card at 1:1 from one length. */
export function HolePattern({ job, map, say, tell }: Props) {
  const photos = usePhotos(job).data?.photos.filter(({ here }) => here) ?? [];
  const pattern = (changed: Record<string, string>) => {
    const said = {
      across: map.across,
      between: map.between,
      photo: map.photo,
      starts: map.starts,
      ...changed,
    };
    const kept = Object.fromEntries(Object.entries(said).filter(([, text]) => text));
    return say({ kind: "pattern", key: map.joint, said: { ...kept, answer: "kept" } });
  };
  const place = (hole: Hole, degrees: number, out: number) => {
    const said: WordsOf<"hole"> = { ...hole.said, answer: "kept", angle: `${degrees.toFixed(1)}°` };
    if (Math.abs(out - 1) > 1e-9) said.out = out.toFixed(4);
    void tell(say({ kind: "hole", key: hole.key, said }));
  };
  const loose = map.holes.filter((hole) => hole.degrees === null);
  return (
    <div className="grid gap-2">
      <Drawing job={job} map={map} onPlace={place} />
      {loose.length > 0 && (
        <button
          type="button"
          className="button min-h-11"
          onClick={() =>
            loose.forEach((hole, at) => {
              place(hole, (360 * (map.holes.length - loose.length + at)) / map.holes.length, 1);
            })
          }
        >
          Put {loose.length === 1 ? "the hole" : `${loose.length} holes`} on the drawing
        </button>
      )}
      <details>
        <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
          Card at 1:1, photo …
        </summary>
        <Measured key={`${map.across} ${map.between}`} map={map} onKeep={pattern} />
        <label className="mt-2 block text-note font-semibold">
          Numbers begin
          <select
            className="mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal"
            value={map.starts}
            onChange={(event) => void tell(pattern({ starts: event.target.value }))}
          >
            <option value="part">at the part's own mark, where it turns</option>
            <option value="clock">at the top as seen, where it stands still</option>
          </select>
        </label>
        {photos.length > 0 && (
          <label className="mt-2 block text-note font-semibold">
            Over a photo
            <select
              className="mt-0.5 block h-11 w-full rounded-cut border border-line bg-sheet px-2 font-normal"
              value={map.photo}
              onChange={(event) => void tell(pattern({ photo: event.target.value }))}
            >
              <option value="">none, on a circle</option>
              {photos.map((photo, at) => (
                <option key={photo.digest} value={photo.digest}>
                  {photo.words || photo.label}, {at + 1}
                </option>
              ))}
            </select>
          </label>
        )}
        {map.photo && (
          <p className="text-note text-soft">
            Taken square on, from a few steps back; a slanted photo stretches one way. Hold the card to the
            part before it is cut.
          </p>
        )}
      </details>
      {map.card ? (
        <p className="text-note text-soft">{map.card}.</p>
      ) : (
        <SaveLink address={`/api/jobs/${job}/card.pdf?joint=${encodeURIComponent(map.joint)}`}>
          {map.joint} card at 1:1 (PDF)
        </SaveLink>
      )}
    </div>
  );
}

/** One length that was measured makes a card of a drawing. */
function Measured({
  map,
  onKeep,
}: {
  map: Joint;
  onKeep: (changed: { across: string; between: string }) => Promise<string | null>;
}) {
  const form = useForm(
    { across: map.across, between: map.between },
    ({ across, between }) => onKeep({ across: across.trim(), between: between.trim() }),
    ["across", "between"],
  );
  return (
    <form className="grid gap-2" onSubmit={form.onSubmit}>
      <Labelled
        label="Measured across the circle"
        placeholder="78 mm"
        maxLength={40}
        {...form.text("across")}
      />
      <Labelled
        label="or between two holes, middle to middle"
        placeholder="1-4: 143.5 mm"
        maxLength={40}
        {...form.text("between")}
      />
      <button type="submit" className="button min-h-11">
        Keep the length
      </button>
      <Refused why={form.trouble} />
    </form>
  );
}

type DrawingProps = { job: number; map: Joint; onPlace: (hole: Hole, degrees: number, out: number) => void };

/** The holes as seen; one is moved with the pointer: round the circle, and over a photo anywhere. */
function Drawing({ job, map, onPlace }: DrawingProps) {
  const [moved, setMoved] = useState<{ key: string; degrees: number; out: number } | null>(null);
  const placed = map.holes.filter((hole) => hole.degrees !== null);
  if (placed.length === 0) return null;
  const free = map.photo !== "";
  const turn = (event: PointerEvent<SVGSVGElement>) => {
    if (!moved) return;
    const box = event.currentTarget.getBoundingClientRect();
    const scale = (2 * HALF) / box.width;
    const x = (event.clientX - box.left - box.width / 2) * scale;
    const y = (event.clientY - box.top - box.height / 2) * scale;
    const degrees = ((Math.atan2(x, -y) * 180) / Math.PI + 360) % 360;
    const out = Math.min(Math.max(Math.hypot(x, y) / ONE, 0.05), 1.9);
    setMoved({ ...moved, degrees: free ? degrees : Math.round(degrees), out: free ? out : 1 });
  };
  const drop = () => {
    const hole = map.holes.find((each) => each.key === moved?.key);
    if (moved && hole && (moved.degrees !== hole.degrees || moved.out !== hole.out))
      onPlace(hole, moved.degrees, moved.out);
    setMoved(null);
  };
  return (
    <svg
      viewBox={`${-HALF} ${-HALF} ${2 * HALF} ${2 * HALF}`}
      className={free ? "size-72 touch-none" : "size-48 touch-none"}
      role="img"
      aria-label={`${map.joint}: ${placed.map((hole) => `${hole.number} at ${hole.degrees}°`).join(", ")}`}
      onPointerMove={turn}
      onPointerUp={drop}
      onPointerLeave={drop}
    >
      {free ? (
        <image
          href={photoAddress(job, map.photo)}
          x={-HALF}
          y={-HALF}
          width={2 * HALF}
          height={2 * HALF}
          preserveAspectRatio="xMidYMid meet"
        />
      ) : (
        <circle r={ONE} fill="none" stroke="var(--line)" strokeDasharray="4 2 1 2" />
      )}
      <path d="M0 -54 v6 M-2 -50 l2 -4 l2 4" fill="none" stroke="var(--ink)" />
      {placed.map((hole) => {
        const held = moved?.key === hole.key ? moved : null;
        const at = ((held?.degrees ?? hole.degrees ?? 0) * Math.PI) / 180;
        const out = ONE * (held?.out ?? hole.out);
        return (
          <g
            key={hole.key}
            transform={`translate(${out * Math.sin(at)} ${-out * Math.cos(at)})`}
            className="cursor-grab"
            onPointerDown={() => setMoved({ key: hole.key, degrees: hole.degrees ?? 0, out: hole.out })}
          >
            <circle r={free ? 5 : 8} fill="var(--sheet)" stroke={held ? "var(--now)" : "var(--ink)"} />
            <text
              textAnchor="middle"
              dy={free ? 2.2 : 3}
              fontSize={free ? 6 : 9}
              fill="var(--ink)"
              className="figure select-none"
            >
              {hole.number}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
