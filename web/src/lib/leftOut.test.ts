import { expect, test } from "vitest";
import { leftOut, linesOf } from "./leftOut";

test("lines are named one by one or from to", () => {
  expect(linesOf("31, 40-44")).toEqual([31, 40, 41, 42, 43, 44]);
  expect(linesOf("44–40 x 7")).toEqual([7, 44]);
  expect(linesOf("")).toEqual([]);
  expect(linesOf("1-99999")).toHaveLength(200);
});

test("what is named comes back as one would name it", () => {
  for (const text of ["31, 40-44", "2", "1-3, 9"]) expect(leftOut(linesOf(text))).toBe(text);
});
