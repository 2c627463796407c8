import { describe, expect, it } from "vitest";
import type { Candidate } from "@/api/client";
import { counted, pinOf, reachOf, sortedBy, takenBy, within } from "./finder";

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
