import { expect, test } from "vitest";
import { first, second, writing } from "./units";

const LENGTH = {
  si: 0.2413,
  metric: { figure: "241.3", unit: "mm" },
  inch: { figure: "9.5", unit: "in" },
};
const RATIO = { si: 1.3, metric: { figure: "1.3", unit: "" }, inch: { figure: "1.3", unit: "" } };

test("a shop that prefers one system sees that one alone", () => {
  expect([first(LENGTH, "inch").unit, second(LENGTH, "inch")]).toEqual(["in", null]);
  expect([first(LENGTH, "metric").unit, second(LENGTH, "metric")]).toEqual(["mm", null]);
});

test("both are shown where nobody chose, once where they are alike", () => {
  expect([first(LENGTH, "both").unit, second(LENGTH, "both")?.unit]).toEqual(["mm", "in"]);
  expect(second(RATIO, "both")).toBeNull();
});

test("what is drawn in millimetres is written as the shop reads", () => {
  const per = { length: 1 / 25.4, force: 0.2248, pressure: 145.04, torque: 0.7376 };
  expect(writing(per, "inch").write("length", 12.7)).toBe("0.500 in");
  expect(writing(per, "both").write("length", 12.7)).toBe("12.7 mm");
  expect(writing(per, "inch").write("length", 2.4, 2)).toBe("0.094 in");
});
