import { describe, expect, it } from "vitest";
import { Refusal, seen, taken } from "@/api/client";
import { chartBox, chartScales, spreadLabels, torqueAt } from "./chart";
import { asEntries, typing, without } from "./drafts";
import { formulaParts } from "./formula";
import { day, moment, QUESTION_LABELS, rangeOf, STATE_WORDS } from "./words";

const answer = (status: number, body: { data?: unknown; error?: unknown }) =>
  Promise.resolve({ ...body, response: new Response(null, { status }) });

describe("what the server says", () => {
  it("hands over data", async () => {
    expect(await taken(answer(200, { data: { id: 3 } }))).toEqual({ id: 3 });
  });

  it("turns a problem into a refusal with its fields", async () => {
    const problem = {
      detail: "Discs: “0” is too small.",
      errors: [{ field: "disc_count", message: "too small" }],
    };
    const refused = await taken(answer(422, { error: problem })).catch((error) => error);
    expect(refused).toBeInstanceOf(Refusal);
    expect(refused.status).toBe(422);
    expect(refused.message).toBe("Discs: “0” is too small.");
    expect(refused.faults).toEqual({ disc_count: "too small" });
  });

  it("has a sentence for a problem that has none", async () => {
    const refused = await taken(answer(503, {})).catch((error) => error);
    expect(refused.message).toContain("503");
  });

  it("says so when nothing answers, and lets an abandoned request pass as it is", async () => {
    const gone = await taken(Promise.reject(new TypeError("fetch failed"))).catch((error) => error);
    expect(gone.status).toBe(0);
    expect(gone.message).toContain("What you typed stays here");
    const abandoned = new DOMException("abandoned", "AbortError");
    await expect(taken(Promise.reject(abandoned))).rejects.toBe(abandoned);
  });

  it("names the revision a change was made on", () => {
    expect(seen(17)).toEqual({ "If-Match": '"17"' });
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

describe("drafts one after the other", () => {
  it("keep each field's own text", () => {
    const both = typing(typing({}, "outer_diameter", "9 1/", null), "inner_diameter", "6", "155 mm");
    expect(both).toEqual({ outer_diameter: "9 1/", inner_diameter: "6" });
    expect(asEntries(both)).toHaveLength(2);
    expect(without(both, ["outer_diameter"])).toEqual({ inner_diameter: "6" });
  });

  it("treat an empty field with nothing entered as no draft", () => {
    expect(typing({ notes: "x" }, "notes", "", null)).toEqual({});
  });
});

describe("words", () => {
  const figure = (metric: string, inch: string, units: [string, string] = ["mm", "in"]) => ({
    si: Number(metric),
    metric: { figure: metric, unit: units[0] },
    inch: { figure: inch, unit: units[1] },
  });

  it("says a range with its unit once, in both systems", () => {
    expect(rangeOf(figure("0.508", "0.02"), figure("0.635", "0.025"))).toBe(
      "0.508 to 0.635 mm · 0.02 to 0.025 in",
    );
    expect(rangeOf(figure("1.1", "1.1", ["", ""]), figure("1.3", "1.3", ["", ""]))).toBe("1.1 to 1.3");
    expect(rangeOf(figure("900", "202", ["N", "lbf"]), figure("12", "2698", ["kN", "lbf"]))).toBe(
      "900 N to 12 kN · 202 to 2698 lbf",
    );
  });

  it("says a day as the reader's own, whatever the zone", () => {
    expect(day("2026-02-01")).toBe(
      new Date(2026, 1, 1).toLocaleDateString(undefined, { dateStyle: "medium" }),
    );
    expect(day("2026-12-31")).toContain("31");
  });

  it("have one for every state and question", () => {
    for (const word of [...Object.values(STATE_WORDS), ...Object.values(QUESTION_LABELS)]) {
      expect(word).toMatch(/^[A-Za-z ]+$/);
    }
    expect(new Set(Object.values(STATE_WORDS)).size).toBe(Object.keys(STATE_WORDS).length);
  });

  it("tell a moment in the reader's own zone", () => {
    expect(moment("2026-03-02T08:30:00.000000Z")).toContain("2026");
  });

  it("leave a formula without indices alone", () => {
    expect(formulaParts("p = F / A")).toEqual([{ text: "p = F / A", as: "plain" }]);
    expect(formulaParts("")).toEqual([]);
  });
});
