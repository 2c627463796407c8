import { describe, expect, it } from "vitest";
import { actionOf, KEYS } from "./keys";

describe("keys", () => {
  const press = (key: string, more: Partial<KeyboardEvent> = {}) =>
    actionOf({ key, ctrlKey: false, metaKey: false, altKey: false, target: null, ...more });

  it("do what the map says, each one thing", () => {
    expect(new Set(KEYS.map((entry) => entry.key)).size).toBe(KEYS.length);
    expect(press("2")).toEqual({ go: "choose/bite" });
    expect(press("#")).toBeNull();
  });

  it("leave modifiers and fields alone", () => {
    expect(press("2", { ctrlKey: true })).toBeNull();
    const field = { closest: () => ({}) } as unknown as EventTarget;
    expect(press("2", { target: field })).toBeNull();
  });
});
