import { describe, expect, it } from "vitest";
import { figureIn } from "./money";

describe("a plain figure", () => {
  it("takes comma and point, spaces and a percent sign", () => {
    expect(figureIn("1 250,50")).toBe(1250.5);
    expect(figureIn("10 %")).toBe(10);
    expect(figureIn("0")).toBe(0);
  });

  it("is none where it is no figure or below nothing", () => {
    for (const text of ["", "ten", "-5", "1.2.3", "5 h"]) expect(figureIn(text)).toBeNull();
  });
});
