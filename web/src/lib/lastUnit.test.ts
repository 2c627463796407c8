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
  expect(lastUnit("depth_x", LENGTHS, mine)).toBe("in");
  expect(lastUnit("depth_y", LENGTHS, mine)).toBe("mm");
  mine.kept.set("liftbite.person", "Odo");
  expect(lastUnit("depth_x", LENGTHS, mine)).toBe("mm");
});

test("what nobody has read begins with the first unit offered, and one that is no longer offered is forgotten", () => {
  const mine = storage();
  expect(lastUnit("depth_x", ["in", "mm", "thou"], mine)).toBe("in");
  expect(lastUnit("plate_count", [""], mine)).toBe("");
  keepUnit("depth_x", "furlong", mine);
  expect(lastUnit("depth_x", LENGTHS, mine)).toBe("mm");
});
