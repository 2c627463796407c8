import { expect, it } from "vitest";
import { agoSaid, sizeSaid } from "./size";

it.each([
  [0, "0 B"],
  [999, "999 B"],
  [126_976, "127 kB"],
  [1_234_000, "1.23 MB"],
  [2_147_483_648, "2.15 GB"],
])("says %d bytes as %s", (bytes, said) => expect(sizeSaid(bytes)).toBe(said));

it.each([
  [0.9, "just now"],
  [1, "1 minute ago"],
  [89, "89 minutes ago"],
  [91, "2 hours ago"],
  [35 * 60, "35 hours ago"],
  [48 * 60, "2 days ago"],
])("says %d minutes as %s", (minutes, said) => {
  const now = Date.parse("2026-05-04T12:00:00Z");
  expect(agoSaid(new Date(now - minutes * 60_000).toISOString(), now)).toBe(said);
});
