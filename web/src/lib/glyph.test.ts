import { describe, expect, it } from "vitest";
import { biteGlyph, heatGlyph, liftGlyph, temperColour, trueGlyph } from "./glyph";

describe("the Bite glyph", () => {
  it("overlaps by what the margin is above 1, and gapes below", () => {
    expect(biteGlyph(1.3, 1.3).overlap).toBeGreaterThan(0);
    expect(biteGlyph(0.8, 1.3).overlap).toBeLessThan(0);
    expect(biteGlyph(1, null)).toEqual({ leftEdge: 32, rightEdge: 32, overlap: 0, targetEdge: null });
  });

  it("reaches the target's mark exactly at the target", () => {
    const glyph = biteGlyph(1.3, 1.3);
    expect(glyph.leftEdge).toBeCloseTo(glyph.targetEdge ?? 0, 9);
  });

  it("stays in its box", () => {
    for (const margin of [-9, 99]) {
      const { leftEdge, rightEdge } = biteGlyph(margin, 2);
      expect(Math.min(leftEdge, rightEdge)).toBeGreaterThan(3);
      expect(Math.max(leftEdge, rightEdge)).toBeLessThan(61);
    }
  });
});

describe("glyphs of the other answers", () => {
  it("open, fill and move with the margin", () => {
    expect(liftGlyph(1.5).gap).toBeGreaterThan(liftGlyph(1).gap);
    expect(liftGlyph(1).gap).toBe(liftGlyph(1).enough);
    expect(heatGlyph(1)).toBe(52);
    expect(heatGlyph(4)).toBe(13);
    expect(trueGlyph(2)).toBeLessThan(trueGlyph(1));
    expect(trueGlyph(0)).toBe(13);
  });

  it("take the colour of tempered steel only once it is hot enough", () => {
    expect(temperColour(150)).toBeNull();
    expect(temperColour(220)).toBe("rgb(222 190 110)");
    expect(temperColour(900)).toBe("rgb(128 166 204)");
  });
});
