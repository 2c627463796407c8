/** Geometry of the Bite glyph: two faces, pressed into each other by as much as the margin exceeds the torque.
 *  Drawn in a 64 × 48 box; the gap opens when the margin is below 1. */
export type BiteGlyph = { leftEdge: number; rightEdge: number; overlap: number; targetEdge: number | null };

const MIDDLE = 32;
const PER_UNIT = 26;
const MOST = 22;

const bounded = (value: number) => Math.max(-MOST, Math.min(MOST, value));

export function biteGlyph(margin: number, target: number | null): BiteGlyph {
  const overlap = bounded((margin - 1) * PER_UNIT);
  return {
    leftEdge: MIDDLE + overlap / 2,
    rightEdge: MIDDLE - overlap / 2,
    overlap,
    targetEdge: target === null ? null : MIDDLE + bounded((target - 1) * PER_UNIT) / 2,
  };
}
