import type { Outline } from "@/api/client";
import { placed, type View } from "./motion";

export const onSheet = (points: Outline["points"], moved: number[], view: View) =>
  points.map((corner) => {
    const [x, r] = placed(corner, moved);
    return { x: view.left + x * view.scale, y: view.base - r * view.scale };
  });

export function middleAt(points: { x: number; y: number }[], x: number) {
  const ends = points.filter((p) => Math.abs(p.x - x) < 1);
  return { x, y: ends.reduce((sum, p) => sum + p.y, 0) / ends.length };
}

export const rightmost = (points: Outline["points"], moved: number[], view: View) => {
  const all = onSheet(points, moved, view);
  return middleAt(all, Math.max(...all.map((p) => p.x)));
};

export const leftmost = (points: Outline["points"], moved: number[], view: View) => {
  const all = onSheet(points, moved, view);
  return middleAt(all, Math.min(...all.map((p) => p.x)));
};
