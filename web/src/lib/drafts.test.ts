import { describe, expect, it } from "vitest";
import {
  asEntries,
  heldOfOthers,
  letGo,
  loadBase,
  loadDrafts,
  NO_DRAFTS,
  saveBase,
  saveDrafts,
  typing,
  without,
} from "./drafts";

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
    for (const kept of ["{", "null", "7", '{"a": 1}', '{"a": {"b": "c"}}']) {
      expect(loadDrafts(3, { getItem: () => kept })).toEqual({});
    }
  });
});

describe("drafts of another state of the shop", () => {
  it("are not this state's, and can be shown and let go", () => {
    const kept = new Map<string, string>();
    const storage = {
      get length() {
        return kept.size;
      },
      clear: () => kept.clear(),
      key: (n: number) => [...kept.keys()][n] ?? null,
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    };
    const base = { name: "Twin", vehicle: "Merrow", layout: "dry_car", entered: { disc_count: "2" } };
    saveDrafts("3/sintered twin", { notes: "half" }, storage, "before");
    saveBase(3, base, storage, "before");
    saveDrafts(3, { notes: "now" }, storage, "now");
    expect(loadDrafts("3/sintered twin", storage, "now")).toEqual({});
    const held = heldOfOthers(storage, "now");
    expect(held).toEqual([{ job: "3/sintered twin", state: "before", drafts: { notes: "half" } }]);
    expect(loadBase(3, storage, "before")).toEqual(base);
    expect(loadBase(3, storage, "now")).toBeNull();
    for (const each of held) letGo(each, storage);
    expect(heldOfOthers(storage, "now")).toEqual([]);
    expect(loadDrafts(3, storage, "now")).toEqual({ notes: "now" });
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
