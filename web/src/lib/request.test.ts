import { expect, it } from "vitest";
import { requestName } from "./request";

it("names a thousand requests a thousand ways, in letters the server takes", () => {
  const names = Array.from({ length: 1000 }, requestName);
  expect(new Set(names).size).toBe(1000);
  for (const name of names) expect(name).toMatch(/^[a-z0-9]{24}$/);
});
