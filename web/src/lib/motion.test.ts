import { describe, expect, it } from "vitest";
import { along, alongSome, at, boundsOf, digits, pathOf, placed } from "./motion";

describe("motion between the points of a grid", () => {
  const grid = [
    [0, 10, 20],
    [100, 110, 120],
  ];

  it("is the grid's own value at its points", () => {
    expect(at(grid, { wear: 0, pedal: 0.5 })).toBe(10);
    expect(at(grid, { wear: 1, pedal: 1 })).toBe(120);
  });

  it("goes straight between them in both directions", () => {
    expect(at(grid, { wear: 0.5, pedal: 0.25 })).toBeCloseTo(55);
  });

  it("stays within the grid and copes with a single row or point", () => {
    expect(at(grid, { wear: 2, pedal: -1 })).toBe(100);
    expect(at([[3, 5]], { wear: 0.7, pedal: 0.5 })).toBe(4);
    expect(along([7], 0.4)).toBe(7);
    expect(along([], 0.4)).toBe(0);
  });

  it("has no value where a neighbour has none", () => {
    expect(alongSome([1, null, 3], 0.4)).toBeNull();
    expect(alongSome([1, 3], 0.5)).toBe(2);
    expect(alongSome([], 0.5)).toBeNull();
  });

  it("moves a corner along the shaft only, and by its own motion only", () => {
    expect(placed([4, 9, 1], [100, 2])).toEqual([6, 9]);
    expect(placed([4, 9, -1], [100, 2])).toEqual([4, 9]);
    expect(
      pathOf(
        [
          [0, 0, -1],
          [2, 1, 0],
        ],
        [3],
        { scale: 10, left: 5, base: 50 },
      ),
    ).toBe("M5.00 50.00L55.00 40.00Z");
  });

  it("leaves room for all a part can move", () => {
    const found = boundsOf(
      [
        {
          points: [
            [2, 5, 0],
            [4, 6, -1],
          ],
        },
      ],
      [
        [
          [-3, 0],
          [0, 9],
        ],
      ],
    );
    expect(found).toEqual({ left: -1, right: 11, bottom: 0, top: 6 });
  });

  it("shows three digits that count, with a minus sign", () => {
    expect([0.1234, 1.234, 12.34, 123.4, -0.5].map(digits)).toEqual([
      "0.123",
      "1.23",
      "12.3",
      "123",
      "−0.500",
    ]);
  });
});
