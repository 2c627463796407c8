import { describe, expect, it } from "vitest";
import type { Candidate } from "@/api/client";
import { triedIn, triesOf, tryKey, withSearch } from "./address";
import { counted, pinOf, reachOf, sortedBy, takenBy, within } from "./finder";
import { heatGlyph, liftGlyph, temperColour, trueGlyph } from "./glyph";
import { actionOf, KEYS } from "./keys";
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

describe("the address", () => {
  it("changes what is named and keeps the rest", () => {
    const search = new URLSearchParams("pedal=60&ask");
    expect(withSearch(search, { ask: null, part: "disc" })).toBe("?pedal=60&part=disc");
    expect(withSearch(search, { sizes: "" })).toBe("?pedal=60&ask&sizes");
    expect(withSearch(new URLSearchParams("ask"), { ask: null })).toBe("?");
  });

  it("carries what is tried", () => {
    const search = new URLSearchParams(
      withSearch(new URLSearchParams(), { [tryKey("trapped_air")]: "2 mL" }),
    );
    expect(triedIn(search)).toEqual({ trapped_air: "2 mL" });
    expect(triesOf(new URLSearchParams("pedal=60&try.trapped_air=2+mL&ask"))).toBe("?try.trapped_air=2+mL");
    expect(triesOf(new URLSearchParams("pedal=60"))).toBe("");
  });
});

describe("candidates", () => {
  const one = (bite: number, effort: number): Candidate => ({
    parts: { disc: bite, cover: 7 },
    free: { fork_ratio: "2.2" },
    names: {},
    objectives: { bite, effort },
  });
  const all = [one(1.3, 100), one(1.6, 140), one(1.4, 90)];
  const objectives = {
    bite: { name: "bite", label: "Bite", unit: "", more: true },
    effort: { name: "effort", label: "Effort", unit: "N", more: false },
  };

  it("go through the address and back", () => {
    const pin = pinOf({ parts: { disc: 64, cover: 7 }, free: { fork_ratio: "2.2", cover_clamp: "7.4 kN" } });
    expect(takenBy(pin)).toEqual({
      parts: [64, 7],
      entries: [
        { quantity: "fork_ratio", typed: "2.2" },
        { quantity: "cover_clamp", typed: "7.4 kN" },
      ],
    });
    expect(takenBy("")).toEqual({ parts: [], entries: [] });
  });

  it("are narrowed down by every range and sorted the better first", () => {
    expect(within(all, { bite: [1.35, 2], effort: [0, 100] })).toEqual([all[2]]);
    expect(sortedBy(all, objectives.bite).map((c) => c.objectives.bite)).toEqual([1.6, 1.4, 1.3]);
    expect(sortedBy(all, objectives.effort).map((c) => c.objectives.effort)).toEqual([90, 100, 140]);
    expect(reachOf(all, "bite")).toEqual([1.3, 1.6]);
    expect(reachOf([all[0] as Candidate], "bite")[0]).toBeLessThan(1.3);
  });

  it("are counted so that they can be read", () => {
    expect([950, 216090, 1_200_000, 13_922_370].map(counted)).toEqual([
      "950",
      "216\u202f090",
      "1.2 million",
      "14 million",
    ]);
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

describe("keys", () => {
  const press = (key: string, more: Partial<KeyboardEvent> = {}) =>
    actionOf({ key, ctrlKey: false, metaKey: false, altKey: false, target: null, ...more });

  it("do what the map says, each one thing", () => {
    expect(new Set(KEYS.map((entry) => entry.key)).size).toBe(KEYS.length);
    expect(press("2")).toEqual({ go: "choose/bite" });
    expect(press("#")).toBeNull();
  });

  it("leave modifiers and fields alone", () => {
    expect(press("2", { ctrlKey: true })).toBeNull();
    const field = { closest: () => ({}) } as unknown as EventTarget;
    expect(press("2", { target: field })).toBeNull();
  });
});
