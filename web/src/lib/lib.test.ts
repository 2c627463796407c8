import { describe, expect, it } from "vitest";
import type { Chart } from "@/api/client";
import { chartBox, chartScales, curvePath, spreadLabels, tick, tickCount, torqueAt } from "./chart";
import { asEntries, loadDrafts, NO_DRAFTS, saveDrafts, typing, without } from "./drafts";
import { base64Of } from "./files";
import { formulaParts } from "./formula";
import { biteGlyph } from "./glyph";
import { bothSystems } from "./words";

const CHART: Chart = {
  now: { rpm: [1000, 2000, 3000], torque: [100, 200, 150] },
  planned: null,
  holds_low: 180,
  holds_nominal: 200,
  holds_high: 900,
  keeps: 140,
  slips: [{ start: 1800, end: 2400 }],
  inch_per_metric: 0.7375621,
  peak: null,
  holds: null,
};

describe("the torque chart", () => {
  const box = chartBox(820);
  const scales = chartScales(CHART, box);

  it("puts the first and the last speed on the edges of the sheet", () => {
    expect(scales.x(1000)).toBe(box.left);
    expect(scales.x(3000)).toBe(box.width - box.right);
  });

  it("has as many figures as fit side by side", () => {
    expect(tickCount(scales.x.range())).toBe(8);
    expect(tickCount([100, 250])).toBe(2);
    expect(scales.x.ticks(tickCount([100, 250])).length).toBeLessThan(5);
  });

  it("has both rulers agree at every height", () => {
    for (const torque of [0, 50, 200]) {
      expect(scales.inch(torque * CHART.inch_per_metric)).toBeCloseTo(scales.y(torque), 9);
    }
  });

  it("lets a far stronger clutch run off the sheet instead of squashing the engine", () => {
    expect(scales.y.domain()[1]).toBeLessThan(420);
  });

  it("keeps its lettering readable on a narrow sheet", () => {
    expect(chartBox(300).width).toBe(420);
    expect(chartBox(2000).height).toBe(360);
  });

  it("draws the curve through its points", () => {
    expect(curvePath(CHART.now, scales)).toMatch(/^M104,.*L.*L680,/);
  });

  it("reads between points and not beyond them", () => {
    expect(torqueAt(CHART.now, 1500)).toBe(150);
    expect(torqueAt(CHART.now, 1000)).toBe(100);
    expect(torqueAt(CHART.now, 900)).toBeNull();
    expect(torqueAt(CHART.now, 3001)).toBeNull();
  });

  it("spreads labels so that none covers another", () => {
    const spread = spreadLabels([{ y: 50 }, { y: 52 }, { y: 300 }, { y: 301 }], 17, 24, 310);
    const heights = spread.map((label) => label.y);
    for (let i = 1; i < heights.length; i++) {
      expect((heights[i] ?? 0) - (heights[i - 1] ?? 0)).toBeGreaterThanOrEqual(17);
    }
    expect(Math.max(...heights)).toBeLessThanOrEqual(310);
  });

  it("groups large figures by thin spaces", () => {
    expect(tick(3460)).toBe("3460");
    expect(tick(13750)).toBe("13\u202f750");
  });
});

describe("drafts", () => {
  const store = () => {
    const kept = new Map<string, string>();
    return {
      kept,
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    };
  };

  it("are what differs from what is entered", () => {
    const drafts = typing(NO_DRAFTS, "clamp_load", "9 kN", "8 kN");
    expect(drafts).toEqual({ clamp_load: "9 kN" });
    expect(typing(drafts, "clamp_load", "8 kN", "8 kN")).toEqual({});
  });

  it("withdraw a quantity when a field is emptied", () => {
    expect(asEntries({ clamp_load: "  ", notes: "x" })).toEqual([
      { quantity: "clamp_load", typed: null },
      { quantity: "notes", typed: "x" },
    ]);
  });

  it("stay the same object when nothing is taken out", () => {
    const drafts = { notes: "x" };
    expect(without(drafts, ["clamp_load"])).toBe(drafts);
  });

  it("survive a reload, job by job", () => {
    const storage = store();
    saveDrafts(3, { notes: "half" }, storage);
    expect(loadDrafts(3, storage)).toEqual({ notes: "half" });
    expect(loadDrafts(4, storage)).toEqual({});
    saveDrafts(3, NO_DRAFTS, storage);
    expect(storage.kept.size).toBe(0);
  });

  it("are dropped when what was kept cannot be read", () => {
    for (const kept of ["{", "null", "7", '{"a": 1}']) {
      expect(loadDrafts(3, { getItem: () => kept })).toEqual({});
    }
  });
});

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

describe("words and formulas", () => {
  it("shows a value in both systems, once where they are the same", () => {
    const length = {
      si: 0.2413,
      metric: { figure: "241.3", unit: "mm" },
      inch: { figure: "9.5", unit: "in" },
    };
    const plain = { si: 1.3, metric: { figure: "1.3", unit: "" }, inch: { figure: "1.3", unit: "" } };
    expect(bothSystems(length)).toBe("241.3 mm · 9.5 in");
    expect(bothSystems(plain)).toBe("1.3");
  });

  it("lowers indices and raises exponents", () => {
    expect(formulaParts("T_cap = η^k · F")).toEqual([
      { text: "T", as: "plain" },
      { text: "cap", as: "sub" },
      { text: " = η", as: "plain" },
      { text: "k", as: "sup" },
      { text: " · F", as: "plain" },
    ]);
  });

  it("encodes files of any size and any bytes", async () => {
    const bytes = Uint8Array.from({ length: 70_000 }, (_, i) => i % 256);
    const text = await base64Of(new Blob([bytes]));
    expect(Uint8Array.from(atob(text), (c) => c.charCodeAt(0))).toEqual(bytes);
  });
});
