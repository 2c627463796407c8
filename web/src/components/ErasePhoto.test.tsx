import { describe, expect, it } from "vitest";
import { boxBetween } from "./ErasePhoto";

describe("a box over what is erased", () => {
  it("lies between two corners, whichever was first", () => {
    const box = { left: 0.2, top: 0.1, right: 0.5, bottom: 0.4 };
    expect(boxBetween([0.2, 0.1], [0.5, 0.4])).toEqual(box);
    expect(boxBetween([0.5, 0.4], [0.2, 0.1])).toEqual(box);
  });

  it("is none where a finger only touched", () => {
    expect(boxBetween([0.2, 0.1], [0.205, 0.4])).toBeNull();
  });
});
