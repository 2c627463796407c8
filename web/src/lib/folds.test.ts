import { expect, test } from "vitest";
import { everythingShown, foldable, showEverything } from "./folds";

const fields = {
  idle: { mark: "assumed" },
  shock: { mark: "assumed" },
  scatter: { mark: "assumed" },
  odd: { mark: "assumed", question: { sentence: "?" } },
  bore: { mark: "entered", typed: "38 mm" },
  mass: { mark: "missing" },
};
const field = (name: string) => fields[name as keyof typeof fields];

test("what is assumed and asks nothing is folded, what is wanted or typed is not", () => {
  expect(foldable(Object.keys(fields), field, new Set())).toEqual(["idle", "shock", "scatter"]);
});

test("what was on screen once stays, and a few are not worth a fold", () => {
  expect(foldable(Object.keys(fields), field, new Set(["idle"]))).toEqual([]);
  expect(foldable(["nowhere", "idle"], field, new Set())).toEqual([]);
});

test("who wants everything gets it", () => {
  const kept: Record<string, string> = {};
  const storage = {
    getItem: (key: string) => kept[key] ?? null,
    setItem: (key: string, to: string) => {
      kept[key] = to;
    },
  };
  expect(everythingShown(storage)).toBe(false);
  showEverything(true, storage);
  expect(everythingShown(storage)).toBe(true);
});
