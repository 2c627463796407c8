import { describe, expect, it } from "vitest";
import type { Check } from "@/api/client";
import { KEY_NAMES, nextCheck, openPlaces, PAD, pieceAfter, placeNow, press } from "./keypad";

const typed = (...keys: string[]) => keys.reduce(press, "");

describe("the keypad", () => {
  it("types figures, fractions and thou as a bench writes them", () => {
    expect(typed("2", ".", "8", "3")).toBe("2.83");
    expect(typed("3", "␣", "7", "⁄", "3", "2")).toBe("3 7/32");
    expect(typed("1", "⁄", "4")).toBe("1/4");
    expect(typed("−", "4")).toBe("-4");
    expect(typed("4", "−", "−")).toBe("4");
  });

  it("does nothing where a key makes no figure", () => {
    expect(typed("⁄")).toBe("");
    expect(typed("␣")).toBe("");
    expect(typed("2", ".", ".", "5")).toBe("2.5");
    expect(typed("1", "⁄", "⁄", "4")).toBe("1/4");
    expect(typed("1", "⁄", "4", ".")).toBe("1/4");
    expect(typed("2", ".", "5", "⁄")).toBe("2.5");
    expect(typed("2", ".", "5", "␣")).toBe("2.5");
    expect(typed("3", "␣", "␣", "7")).toBe("3 7");
    expect(typed(..."1".repeat(30)).length).toBe(20);
  });

  it("takes back and clears", () => {
    expect(typed("2", ".", "8", "⌫")).toBe("2.");
    expect(typed("2", ".", "8", "C")).toBe("");
    expect(press("", "⌫")).toBe("");
  });

  it("has sixteen keys, and a name for each that is no digit", () => {
    const keys = PAD.flat();
    expect(new Set(keys).size).toBe(16);
    for (const key of keys.filter((each) => !/\d/.test(each))) expect(KEY_NAMES[key]).toBeTruthy();
  });
});

const check = (name: string, places: string[], read: string[], more: Partial<Check> = {}): Check =>
  ({
    name,
    kind: "reading",
    grows: false,
    places: places.map((key) => ({ key, item: key.split(",")[0], spot: "" })),
    readings: read.map((place) => ({ place })),
    ...more,
  }) as unknown as Check;

describe("the order of a check", () => {
  const half = check("plates", ["Plate 1", "Plate 2", "Plate 3"], ["Plate 1"]);

  it("goes to the first place without a reading", () => {
    expect(openPlaces(half)).toEqual(["Plate 2", "Plate 3"]);
    expect(placeNow(half, null)).toBe("Plate 2");
  });

  it("goes on while a reading is on its way", () => {
    expect(openPlaces(half, ["Plate 2"])).toEqual(["Plate 3"]);
    expect(placeNow(half, null, ["Plate 2"])).toBe("Plate 3");
    expect(placeNow(half, "Plate 2", ["Plate 2"])).toBe("Plate 2");
    expect(placeNow(half, null, ["Plate 2", "Plate 3"])).toBeNull();
  });

  it("goes where it is asked, if there is such a place", () => {
    expect(placeNow(half, "Plate 1")).toBe("Plate 1");
    expect(placeNow(half, "Plate 9")).toBe("Plate 2");
    expect(placeNow(check("bore", ["0°"], [], { kind: "sweep" }), "22.5°")).toBe("22.5°");
    expect(placeNow(check("spacers", ["Spacer 1"], ["Spacer 1"], { grows: true }), "Spacer 2")).toBe(
      "Spacer 2",
    );
  });

  it("ends when every place is read", () => {
    expect(placeNow(check("one", ["Once"], ["Once"]), null)).toBeNull();
  });

  it("leads to the next check with places left, past what only feeds sums, and round to the first", () => {
    const all = [
      check("a", ["Once"], []),
      check("b", ["Once"], ["Once"]),
      check("c", ["Once"], [], { kind: "figure" }),
      check("d", ["Once"], []),
    ];
    expect(nextCheck(all, "b")).toBe("d");
    expect(nextCheck(all, "d")).toBe("a");
    expect(nextCheck([check("a", ["Once"], ["Once"])], "a")).toBeNull();
  });

  it("names one more piece after those there are", () => {
    expect(pieceAfter(check("spacers", ["Spacer 1", "Spacer 2"], []))).toBe("Spacer 3");
    expect(pieceAfter(check("none", [], []))).toBe("Piece 1");
  });
});
