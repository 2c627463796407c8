import type { Outline } from "@/api/client";
import { pathOf, type View } from "@/lib/motion";
import { fillOf } from "./Hatches";

type PartsProps = {
  outlines: Outline[];
  moved: number[];
  view: View;
  id: string;
  part: string | null;
  onPart: (part: string) => void;
};

export function Parts({ outlines, moved, view, id, part, onPart }: PartsProps) {
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
