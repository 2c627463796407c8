/** Geometry of the glyphs, in a 64 × 48 box. Every one is drawn from the answer's numbers. */
export type BiteGlyph = { leftEdge: number; rightEdge: number; overlap: number; targetEdge: number | null };

const MIDDLE = 32;
const PER_UNIT = 26;
const MOST = 22;

const bounded = (value: number) => Math.max(-MOST, Math.min(MOST, value));

/** Two faces, pressed into each other by as much as the margin exceeds the torque; a gap where it is below 1. */
export function biteGlyph(margin: number, target: number | null): BiteGlyph {
  const overlap = bounded((margin - 1) * PER_UNIT);
  return {
    leftEdge: MIDDLE + overlap / 2,
    rightEdge: MIDDLE - overlap / 2,
    overlap,
    targetEdge: target === null ? null : MIDDLE + bounded((target - 1) * PER_UNIT) / 2,
  };
}

/** Width of the gap between two faces, and where it would just be enough. */
export function liftGlyph(margin: number): { gap: number; enough: number } {
  return { gap: Math.max(0, Math.min(26, margin * 11)), enough: 11 };
}

/** How far a bar is filled: the share of what the facing stands that is used up. */
export const heatGlyph = (margin: number) => Math.max(2, Math.min(52, 52 / Math.max(margin, 0.01)));

/** How far a circle stands off its centre: as far as the limit at 6, at most 13. */
export const trueGlyph = (margin: number) => Math.min(13, 6 / Math.max(margin, 0.01));

/** Colours steel takes when it is tempered at a temperature [°C]; common knowledge of the trade, from memory. */
const TEMPER: readonly [number, number, number, number][] = [
  [200, 226, 226, 214],
  [220, 222, 190, 110],
  [255, 150, 96, 48],
  [280, 110, 62, 120],
  [295, 44, 70, 140],
  [320, 128, 166, 204],
];

/** The temper colour of steel; none below the first. */
export function temperColour(celsius: number): string | null {
  const first = TEMPER[0];
  if (!first || celsius < first[0]) return null;
  const next = TEMPER.findIndex(([at]) => at > celsius);
  const high = TEMPER[next] ?? TEMPER[TEMPER.length - 1] ?? first;
  const low = TEMPER[next - 1] ?? high;
  const share = high[0] === low[0] ? 1 : (celsius - low[0]) / (high[0] - low[0]);
  const mix = [1, 2, 3].map((i) => Math.round((low[i] ?? 0) + ((high[i] ?? 0) - (low[i] ?? 0)) * share));
  return `rgb(${mix.join(" ")})`;
}
