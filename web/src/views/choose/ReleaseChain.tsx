import { useRef } from "react";
import type { Section } from "@/api/client";
import type { View } from "@/lib/motion";
import { pathOf } from "@/lib/motion";
import { fillOf } from "./Hatches";

type ChainProps = {
  section: Section;
  moved: number[];
  side: View;
  id: string;
  part: string | null;
  onPedal: (share: number) => void;
};

/** Pedal or lever with what it works; it can be dragged. */
export function Chain({ section, moved, side, id, part, onPedal }: ChainProps) {
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
export function pedalShift(section: Section, moved: number[]): number {
  const shifts = section.chain.flatMap((o) =>
    o.points.map((p) => Math.abs(moved[(p as unknown as number[])[2] ?? -1] ?? 0)),
  );
  return Math.max(0, ...shifts);
}
