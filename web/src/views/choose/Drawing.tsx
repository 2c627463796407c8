import { type KeyboardEvent, useId, useRef } from "react";
import type { Outline, Section } from "@/api/client";
import { boundsOf, motionsAt, type Place, pathOf, placed, type View } from "@/lib/motion";
import { bothSystems } from "@/lib/words";
import { fillOf, Hatches } from "./Hatches";

type Props = {
  section: Section;
  place: Place;
  width: number;
  height: number;
  part: string | null;
  sizes: boolean;
  onPart: (part: string) => void;
  onPedal: (share: number) => void;
};

const TOP = 40;
const FOOT = 22;

/** Where section and chain stand on the sheet; both keep their scale while they move. */
function layOut(section: Section, width: number, height: number) {
  const clutch = boundsOf(section.clutch, section.motions);
  const chain = boundsOf(section.chain, section.motions);
  const room = height - TOP - FOOT;
  const wide = Math.max(width - 16, 300);
  const scale = Math.min(room / (clutch.top - clutch.bottom), (wide * 0.6) / (clutch.right - clutch.left));
  const beside = wide - (clutch.right - clutch.left) * scale - 48;
  const small = Math.min(
    (room - 6) / (chain.top - chain.bottom),
    beside / (chain.right - chain.left),
    scale * 0.8,
  );
  const view: View = { scale, left: 8 - clutch.left * scale, base: TOP + clutch.top * scale };
  const side: View = {
    scale: small,
    left: width - 10 - chain.right * small,
    base: TOP + chain.top * small,
  };
  return { view, side, clutch, chain };
}

/** The half section above the shaft line with the release chain beside it, drawn from the core's outlines. */
export function Drawing({ section, place, width, height, part, sizes, onPart, onPedal }: Props) {
  const id = useId().replace(/[^a-z0-9]/gi, "");
  const moved = motionsAt(section, place);
  const { view, side, clutch } = layOut(section, width, height);
  const shaft = view.base;
  const edge = view.left + clutch.right * view.scale;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label="Half section of the clutch"
      data-testid="section"
      data-scale={view.scale}
      data-left={view.left}
      className="block touch-none select-none"
    >
      <Hatches id={id} />
      <path
        d={`M2 ${shaft}H${edge + 8}`}
        stroke="var(--line)"
        strokeDasharray="16 4 3 4"
        data-role="shaft line"
      />
      <Parts outlines={section.clutch} moved={moved} view={view} id={id} part={part} onPart={onPart} />
      <Line section={section} moved={moved} view={view} side={side} />
      <Chain section={section} moved={moved} side={side} id={id} part={part} onPedal={onPedal} />
      {sizes && <Sizes section={section} moved={moved} view={view} edge={edge} />}
      <Balloons section={section} moved={moved} view={view} part={part} onPart={onPart} />
      <text x={width - 6} y="14" textAnchor="end" className="text-[12px]" fill="var(--soft)">
        chain at {Math.round((side.scale / view.scale) * 100)} % of the section's scale
      </text>
    </svg>
  );
}

type PartsProps = {
  outlines: Outline[];
  moved: number[];
  view: View;
  id: string;
  part: string | null;
  onPart: (part: string) => void;
};

function Parts({ outlines, moved, view, id, part, onPart }: PartsProps) {
  return (
    <g strokeLinejoin="round">
      {outlines.map((outline, i) => {
        const chosen = outline.part === part;
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: as above
          <g
            // biome-ignore lint/suspicious/noArrayIndexKey: outlines keep their order
            key={i}
            data-part={outline.part}
            data-material={outline.material}
            onClick={() => onPart(outline.part)}
            className="cursor-pointer"
          >
            <path d={pathOf(outline.points, moved, view)} fill="var(--sheet)" />
            <path
              d={pathOf(outline.points, moved, view)}
              fill={fillOf(id, outline.material)}
              stroke={chosen ? "var(--now)" : "var(--ink)"}
              strokeWidth={chosen ? 2.4 : 1.3}
            />
          </g>
        );
      })}
    </g>
  );
}

/** The line or cable from the chain to what it works in the section. */
function Line({ section, moved, view, side }: { section: Section; moved: number[]; view: View; side: View }) {
  const inSection = section.clutch.filter((o) => o.part === "release");
  const last = inSection[inSection.length - 1];
  const first = section.chain[section.chain.length - 1];
  if (!first) return null;
  const from = rightmost(last?.points ?? [[0, 0, -1]], moved, view);
  const to = leftmost(first.points, moved, side);
  const target = last ? from : { x: view.left + 60 * view.scale, y: view.base };
  const reach = Math.max((to.x - target.x) / 2, 24);
  return (
    <path
      d={`M${target.x} ${target.y}C${target.x + reach} ${target.y} ${to.x - reach} ${to.y} ${to.x} ${to.y}`}
      fill="none"
      stroke="var(--ink)"
      strokeWidth="2.5"
      data-role="line"
    />
  );
}

const onSheet = (points: Outline["points"], moved: number[], view: View) =>
  points.map((corner) => {
    const [x, r] = placed(corner, moved);
    return { x: view.left + x * view.scale, y: view.base - r * view.scale };
  });

function middleAt(points: { x: number; y: number }[], x: number) {
  const ends = points.filter((p) => Math.abs(p.x - x) < 1);
  return { x, y: ends.reduce((sum, p) => sum + p.y, 0) / ends.length };
}

const rightmost = (points: Outline["points"], moved: number[], view: View) => {
  const all = onSheet(points, moved, view);
  return middleAt(all, Math.max(...all.map((p) => p.x)));
};

const leftmost = (points: Outline["points"], moved: number[], view: View) => {
  const all = onSheet(points, moved, view);
  return middleAt(all, Math.min(...all.map((p) => p.x)));
};

type ChainProps = {
  section: Section;
  moved: number[];
  side: View;
  id: string;
  part: string | null;
  onPedal: (share: number) => void;
};

/** Pedal or lever with what it works; it can be dragged. */
function Chain({ section, moved, side, id, part, onPedal }: ChainProps) {
  const held = useRef<number | null>(null);
  const travel = section.pedal[section.pedal.length - 1] ?? 1;
  const chosen = part === "release";
  return (
    <g
      data-role="chain"
      className={section.effort ? "cursor-ew-resize" : undefined}
      onPointerDown={(event) => {
        if (!section.effort) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = event.clientX + pedalShift(section, moved) * side.scale;
      }}
      onPointerMove={(event) => {
        if (held.current === null) return;
        onPedal(Math.min(Math.max((held.current - event.clientX) / side.scale / travel, 0), 1));
      }}
      onPointerUp={() => {
        held.current = null;
      }}
    >
      {section.chain.map((outline, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: outlines keep their order
        <g key={i} data-part="release" data-material={outline.material}>
          <path d={pathOf(outline.points, moved, side)} fill="var(--sheet)" />
          <path
            d={pathOf(outline.points, moved, side)}
            fill={fillOf(id, outline.material)}
            stroke={chosen ? "var(--now)" : "var(--ink)"}
            strokeWidth={chosen ? 2.2 : 1.3}
          />
        </g>
      ))}
    </g>
  );
}

/** How far the pad has moved [mm]. */
function pedalShift(section: Section, moved: number[]): number {
  const shifts = section.chain.flatMap((o) =>
    o.points.map((p) => Math.abs(moved[(p as unknown as number[])[2] ?? -1] ?? 0)),
  );
  return Math.max(0, ...shifts);
}

/** Numbers with leaders to the parts, in the order they stand along the shaft. */
function Balloons({
  section,
  moved,
  view,
  part,
  onPart,
}: {
  section: Section;
  moved: number[];
  view: View;
  part: string | null;
  onPart: (part: string) => void;
}) {
  const anchors = section.parts.flatMap(({ name, label }, i) => {
    const mine = section.clutch.filter((o) => o.part === name);
    if (mine.length === 0) return [];
    const tops = mine.map((o) => {
      const all = onSheet(o.points, moved, view);
      const y = Math.min(...all.map((p) => p.y));
      const edge = all.filter((p) => p.y < y + 3).map((p) => p.x);
      const [left, right] = [Math.min(...edge), Math.max(...edge)];
      // a long part is pointed at near its free end, so that leaders do not cross the rest
      return { x: left + (right - left) * (right - left > 160 ? 0.9 : 0.5), y: y + 4 };
    });
    const at = tops.reduce((best, top) => (top.y < best.y ? top : best));
    return [{ name, label, number: i + 1, ...at }];
  });
  const sorted = [...anchors].sort((a, b) => a.x - b.x);
  let last = 2;
  return (
    <g className="font-figure text-[12px]">
      {sorted.map((anchor) => {
        const x = Math.max(anchor.x, last + 26);
        last = x;
        const chosen = anchor.name === part;
        const pick = () => onPart(anchor.name);
        return (
          <g
            key={anchor.name}
            role="button"
            tabIndex={0}
            aria-pressed={chosen}
            aria-label={`${anchor.number} ${anchor.label}`}
            onClick={pick}
            onKeyDown={(event: KeyboardEvent) => {
              if (event.key !== "Enter" && event.key !== " ") return;
              event.preventDefault();
              pick();
            }}
            className="cursor-pointer"
          >
            <path
              d={`M${x} 25L${anchor.x} ${anchor.y}`}
              stroke={chosen ? "var(--now)" : "var(--line)"}
              strokeWidth={chosen ? 1.6 : 1}
            />
            <circle cx={anchor.x} cy={anchor.y} r="2" fill={chosen ? "var(--now)" : "var(--ink)"} />
            <circle
              cx={x}
              cy="14"
              r="11.500"
              fill={chosen ? "var(--now)" : "var(--sheet)"}
              stroke={chosen ? "var(--now)" : "var(--ink)"}
            />
            <text x={x} y="18.500" textAnchor="middle" fill={chosen ? "var(--sheet)" : "var(--ink)"}>
              {anchor.number}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Dimension lines with their figures: diameters in columns beside the section, thicknesses under the shaft line. */
function Sizes({
  section,
  moved,
  view,
  edge,
}: {
  section: Section;
  moved: number[];
  view: View;
  edge: number;
}) {
  let column = edge + 16;
  let under = 0;
  return (
    <g className="font-figure text-[12px]" stroke="var(--now)" fill="var(--now)" data-testid="sizes">
      {section.dimensions.map((dimension) => {
        const [a, b] = onSheet([dimension.start, dimension.end], moved, view);
        if (!a || !b) return null;
        if (dimension.across) {
          const x = column;
          column += 21;
          return (
            <g key={dimension.name}>
              <title>{dimension.label}</title>
              <path d={`M${b.x} ${b.y}H${x + 4}M${x} ${view.base}V${b.y}`} strokeWidth="0.9" />
              <path d={`M${x - 3} ${b.y + 9}L${x} ${b.y}L${x + 3} ${b.y + 9}Z`} />
              <text
                x={x - 4}
                y={b.y + 14}
                transform={`rotate(-90 ${x - 4} ${b.y + 14})`}
                textAnchor="end"
                strokeWidth="4"
                stroke="var(--paper)"
                paintOrder="stroke"
              >
                ⌀ {bothSystems(dimension.value)}
              </text>
            </g>
          );
        }
        const y = view.base + 14;
        const x = Math.max((a.x + b.x) / 2, under);
        under = x + 92;
        return (
          <g key={dimension.name}>
            <title>{dimension.label}</title>
            <path
              d={`M${a.x} ${a.y}V${y - 10}M${b.x} ${b.y}V${y - 10}`}
              strokeWidth="0.9"
              strokeDasharray="3 2"
            />
            <path d={`M${a.x} ${y - 11}H${b.x}L${x} ${y - 8}`} fill="none" strokeWidth="1.2" />
            <text x={x} y={y + 4} textAnchor="middle" stroke="none">
              {dimension.value.metric.figure} mm
            </text>
          </g>
        );
      })}
    </g>
  );
}
