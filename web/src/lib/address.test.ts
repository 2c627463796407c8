import { describe, expect, it } from "vitest";
import { triedIn, triesOf, tryKey, withSearch } from "./address";

describe("the address", () => {
  it("changes what is named and keeps the rest", () => {
    const search = new URLSearchParams("pedal=60&ask");
    expect(withSearch(search, { ask: null, part: "disc" })).toBe("?pedal=60&part=disc");
    expect(withSearch(search, { sizes: "" })).toBe("?pedal=60&ask&sizes");
    expect(withSearch(new URLSearchParams("ask"), { ask: null })).toBe("?");
  });

  it("carries what is tried", () => {
    const search = new URLSearchParams(
      withSearch(new URLSearchParams(), { [tryKey("trapped_air")]: "2 mL" }),
    );
    expect(triedIn(search)).toEqual({ trapped_air: "2 mL" });
    expect(triesOf(new URLSearchParams("pedal=60&try.trapped_air=2+mL&ask"))).toBe("?try.trapped_air=2+mL");
    expect(triesOf(new URLSearchParams("pedal=60"))).toBe("");
    expect(triesOf(new URLSearchParams("pedal=60&build=found"))).toBe("?build=found");
  });
});
