import { describe, expect, it } from "vitest";
import type { Chart } from "@/api/client";
import { chartBox, chartScales, curvePath, spreadLabels, tick, tickCount, torqueAt } from "./chart";

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

describe("the chart at its edges", () => {
  const flat = { rpm: [1000, 5000], torque: [100, 100] };
  const chart = {
    now: flat,
    planned: { rpm: [900, 5200], torque: [130, 130] },
    holds_low: null,
    holds_nominal: null,
    holds_high: null,
    keeps: null,
    slips: [],
    inch_per_metric: 0.7375621,
    peak: null,
    holds: null,
  };

  it("spans both curves", () => {
    const { x, y } = chartScales(chart, chartBox(700));
    expect(x.domain()).toEqual([900, 5200]);
    expect(y.domain()[1]).toBeCloseTo(130 * 1.08);
  });

  it("reads a flat curve flat", () => {
    for (const rpm of [1000, 1001, 3456, 5000]) expect(torqueAt(flat, rpm)).toBeCloseTo(100);
  });

  it("keeps the order of labels it moves apart", () => {
    const names = spreadLabels(
      ["a", "b", "c"].map((text, i) => ({ text, y: 100 + i * 0.1 })),
      15,
      0,
      400,
    ).map((label) => label.text);
    expect(names).toEqual(["a", "b", "c"]);
  });

  it("has nothing to spread where there is nothing", () => {
    expect(spreadLabels([], 15, 0, 400)).toEqual([]);
  });
});
