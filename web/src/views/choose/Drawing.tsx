import { useId } from "react";
import type { Section } from "@/api/client";
import { boundsOf, motionsAt, type Place, type View } from "@/lib/motion";
import { leftmost, rightmost } from "@/lib/outline";
import { Balloons } from "./Balloons";
import { Hatches } from "./Hatches";
import { Parts } from "./Parts";
import { Chain } from "./ReleaseChain";
import { Sizes } from "./Sizes";

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
      <text x={width - 6} y={height - 6} textAnchor="end" className="text-[12px]" fill="var(--soft)">
        chain at {Math.round((side.scale / view.scale) * 100)} % of the section's scale
      </text>
    </svg>
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
