import { describe, expect, it } from "vitest";
import { base64Of } from "./files";
import { formulaParts } from "./formula";
import { bothSystems, day, moment, QUESTION_LABELS, rangeOf, STATE_WORDS } from "./words";

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
