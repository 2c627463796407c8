import type { Section } from "@/api/client";

/** Where the sliders stand: pedal and wear, each from 0 to 1. */
export type Place = { pedal: number; wear: number };

/** A value of a grid [wear][pedal] at a place, by straight lines between its points. */
export function at(grid: readonly (readonly number[])[], { pedal, wear }: Place): number {
  const rows = grid.length - 1;
  const w = Math.min(Math.max(wear, 0), 1) * rows;
  const row = Math.min(Math.floor(w), Math.max(rows - 1, 0));
  const low = along(grid[row] ?? [], pedal);
  if (rows === 0) return low;
  return low + (along(grid[row + 1] ?? [], pedal) - low) * (w - row);
}

/** A value of a list at a share of its length. */
export function along(values: readonly number[], share: number): number {
  const last = values.length - 1;
  if (last < 0) return 0;
  const place = Math.min(Math.max(share, 0), 1) * last;
  const i = Math.min(Math.floor(place), Math.max(last - 1, 0));
  const here = values[i] ?? 0;
  return last === 0 ? here : here + ((values[i + 1] ?? here) - here) * (place - i);
}

/** A column of points that may be missing, at a share; null where its neighbours are. */
export function alongSome(values: readonly (number | null)[], share: number): number | null {
  const last = values.length - 1;
  const i = Math.min(Math.floor(share * last), Math.max(last - 1, 0));
  const [a, b] = [values[i], values[Math.min(i + 1, last)]];
  if (a == null || b == null) return null;
  return a + (b - a) * (share * last - i);
}

export type Corner = readonly [number, number, number] | readonly number[];

/** Places a corner of an outline: [mm along, mm up] with the motions added. */
export function placed(corner: Corner, moved: readonly number[]): [number, number] {
  const [x, r, motion] = corner as [number, number, number];
  return [x + (motion < 0 ? 0 : (moved[motion] ?? 0)), r];
}

/** Displacement of every motion at a place. */
export const motionsAt = (section: Section, place: Place) => section.motions.map((grid) => at(grid, place));

export type View = { scale: number; left: number; base: number };

/** The path of an outline on screen: x to the right, r up from the shaft line. */
export function pathOf(points: readonly Corner[], moved: readonly number[], view: View): string {
  const corners = points.map((corner) => {
    const [x, r] = placed(corner, moved);
    return `${(view.left + x * view.scale).toFixed(2)} ${(view.base - r * view.scale).toFixed(2)}`;
  });
  return `M${corners.join("L")}Z`;
}

/** Bounds of outlines with all they can move [mm]. */
export function boundsOf(outlines: readonly { points: readonly Corner[] }[], motions: Section["motions"]) {
  const reach = motions.map((grid) => {
    const all = grid.flat();
    return [Math.min(0, ...all), Math.max(0, ...all)] as const;
  });
  let [left, right, bottom, top] = [0, 1, 0, 1];
  for (const [x, r, motion] of outlines.flatMap((o) => o.points as [number, number, number][])) {
    const [back, ahead] = reach[motion] ?? [0, 0];
    left = Math.min(left, x + back);
    right = Math.max(right, x + ahead);
    bottom = Math.min(bottom, r);
    top = Math.max(top, r);
  }
  return { left, right, bottom, top };
}

/** A figure with the digits a bench needs: three that count. */
export function digits(value: number): string {
  const size = Math.abs(value);
  const places = size >= 100 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : 3;
  return value.toFixed(places).replace("-", "−");
}
