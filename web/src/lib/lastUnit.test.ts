import { expect, test } from "vitest";
import { keepUnit, lastUnit } from "./lastUnit";

function storage(name = "") {
  const kept = new Map<string, string>(name ? [["liftbite.person", name]] : []);
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    kept,
  };
}
const LENGTHS = ["mm", "in", "thou"];

test("a check is read in what its reader read it in last", () => {
  const mine = storage("Ines");
  keepUnit("depth_x", "in", mine);
  expect(lastUnit("depth_x", LENGTHS, mine, "both")).toBe("in");
  expect(lastUnit("depth_y", LENGTHS, mine, "both")).toBe("mm");
  mine.kept.set("liftbite.person", "Odo");
  expect(lastUnit("depth_x", LENGTHS, mine, "both")).toBe("mm");
});

test("a shop that reads in inches begins there, and a unit that is no longer offered is forgotten", () => {
  const mine = storage();
  expect(lastUnit("depth_x", LENGTHS, mine, "inch")).toBe("in");
  expect(lastUnit("plate_count", [""], mine, "inch")).toBe("");
  keepUnit("depth_x", "furlong", mine);
  expect(lastUnit("depth_x", LENGTHS, mine, "both")).toBe("mm");
});
