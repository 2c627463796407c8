import type { Shop } from "@/api/client";
import { person } from "./person";
import { UNITS } from "./units";

type Kept = Pick<Storage, "getItem" | "setItem">;

const key = (check: string, storage: Kept) => `liftbite.unit.${person(storage)}.${check}`;
const INCH = new Set(["in", "thou", "lb-ft", "lbf", "psi", "°F"]);

/** The unit this person read a check in last; where they have not, the first one of the system the shop prefers. */
export function lastUnit(
  check: string,
  units: readonly string[],
  storage: Kept = localStorage,
  prefers: Shop["units"] = UNITS,
): string {
  const kept = storage.getItem(key(check, storage));
  if (kept !== null && units.includes(kept)) return kept;
  const own = prefers === "both" ? undefined : units.find((unit) => INCH.has(unit) === (prefers === "inch"));
  return own ?? units[0] ?? "";
}

/** Keeps what a check is read in, by this person at this screen. */
export const keepUnit = (check: string, unit: string, storage: Kept = localStorage): void =>
  storage.setItem(key(check, storage), unit);
