import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { Chart, Curve } from "@/api/client";

export type Box = { width: number; height: number; left: number; right: number; top: number; bottom: number };

/** The chart's frame for a width on screen, so that its lettering keeps its size [px]. */
export function chartBox(width: number): Box {
  const wide = Math.max(width, 420);
  return {
    width: wide,
    height: Math.round(Math.min(Math.max(wide * 0.42, 250), 360)),
    left: 104,
    right: 140,
    top: 24,
    bottom: 40,
  };
}

/** Scales of the torque chart: rpm across, N·m up, lb-ft beside it. */
export function chartScales(chart: Chart, box: Box) {
  const curves = [chart.now, ...(chart.planned ? [chart.planned] : [])];
  const rpm = curves.flatMap((curve) => curve.rpm);
  const made = Math.max(...curves.flatMap((curve) => curve.torque));
  // a clutch far stronger than the engine must not squash the curve: the band may run off the sheet
  const held = Math.max(
    Math.min(chart.holds_high ?? 0, made * 1.9),
    Math.min(chart.holds_nominal ?? 0, made * 3),
  );
  const x = scaleLinear([Math.min(...rpm), Math.max(...rpm)], [box.left, box.width - box.right]);
  const y = scaleLinear([0, Math.max(made, held) * 1.08], [box.height - box.bottom, box.top]);
  const [low, high] = y.domain() as [number, number];
  const inch = scaleLinear([low * chart.inch_per_metric, high * chart.inch_per_metric], y.range());
  return { x, y, inch };
}

export type Scales = ReturnType<typeof chartScales>;

export function curvePath(curve: Curve, { x, y }: Scales): string {
  const points = curve.rpm.map((rpm, i): [number, number] => [rpm, curve.torque[i] ?? 0]);
  return (
    line<[number, number]>(
      ([rpm]) => x(rpm),
      ([, torque]) => y(torque),
    )(points) ?? ""
  );
}

/** Torque of a curve at a speed, by a straight line between its points; null beyond them. */
export function torqueAt(curve: Curve, rpm: number): number | null {
  const next = curve.rpm.findIndex((speed) => speed >= rpm);
  const first = curve.rpm[0];
  if (next < 0 || first === undefined || rpm < first) return null;
  const [x1, y1] = [curve.rpm[next] ?? 0, curve.torque[next] ?? 0];
  if (next === 0) return y1;
  const [x0, y0] = [curve.rpm[next - 1] ?? 0, curve.torque[next - 1] ?? 0];
  return y0 + ((rpm - x0) / (x1 - x0)) * (y1 - y0);
}

/** Labels at the right end of their lines, moved apart so that none covers another. */
export function spreadLabels<T extends { y: number }>(
  labels: T[],
  gap: number,
  top: number,
  bottom: number,
): T[] {
  const sorted = [...labels].sort((a, b) => a.y - b.y).map((label) => ({ ...label }));
  let last = top - gap;
  for (const label of sorted) {
    label.y = Math.max(label.y, last + gap);
    last = label.y;
  }
  let limit = bottom;
  for (const label of sorted.reverse()) {
    label.y = Math.min(label.y, limit);
    limit = label.y - gap;
  }
  return sorted.reverse();
}

/** About how many figures an axis holds side by side without touching. */
export function tickCount(range: readonly number[], each = 56): number {
  const wide = Math.abs((range[1] ?? 0) - (range[0] ?? 0));
  return Math.max(2, Math.min(8, Math.floor(wide / each)));
}

/** A figure at a tick: grouped by thin spaces from 10 000 up, as everywhere. */
export function tick(value: number): string {
  const text = String(Math.round(value));
  return text.length > 4 ? text.replace(/\B(?=(\d{3})+$)/g, "\u202f") : text;
}
