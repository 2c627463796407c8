import { describe, expect, it } from "vitest";
import { tag } from "./state";

describe("the state of the shop a page is of", () => {
  it("stands in every version a request names", () => {
    expect(tag(17, "0123456789ab")).toBe('"0123456789ab.17"');
    expect(tag(17, "")).toBe('"17"');
  });
});
