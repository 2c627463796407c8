import { describe, expect, it } from "vitest";
import type { Catalogue } from "@/api/client";
import { groupsOf, resultsOf, slotsOf } from "./groups";

const group = (name: string, slots: string[] = []) => ({ name, title: name, rows: [], slots });
const slot = (name: string, layouts: string[]) => ({
  name,
  label: name,
  layouts,
  searched: [],
  first: false,
});
const catalogue: Catalogue = {
  inputs: [],
  choices: [],
  groups: [group("stack", ["disc", "plates"]), group("clamp")],
  views: { section: ["clamp", "stack"] },
  answers: {},
  clutch_figures: [],
  verdicts: {},
  setup_verdicts: {},
  drawn: [{ part: "disc", groups: ["stack"], results: ["lift_needed"] }],
  slots: [slot("disc", ["dry_car"]), slot("plates", ["wet_motorcycle"])],
};

describe("groups", () => {
  it("stand beside a view in its order", () => {
    expect(groupsOf(catalogue, "section", null).map((each) => each.name)).toEqual(["clamp", "stack"]);
    expect(groupsOf(catalogue, "find", null)).toEqual([]);
  });

  it("are those of a part once one is picked", () => {
    expect(groupsOf(catalogue, "section", "disc").map((each) => each.name)).toEqual(["stack"]);
    expect(resultsOf(catalogue, "disc")).toEqual(["lift_needed"]);
    expect(resultsOf(catalogue, "crank")).toEqual([]);
  });

  it("are none while nothing was served", () => {
    expect(groupsOf(undefined, "section", "disc")).toEqual([]);
    expect(resultsOf(undefined, "disc")).toEqual([]);
  });

  it("lead to the kinds of parts a layout has", () => {
    expect(slotsOf(catalogue, group("stack", ["disc", "plates"]), "dry_car")).toEqual(["disc"]);
  });
});
