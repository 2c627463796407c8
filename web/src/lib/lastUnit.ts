import { person } from "./person";

type Kept = Pick<Storage, "getItem" | "setItem">;

const key = (check: string, storage: Kept) => `liftbite.unit.${person(storage)}.${check}`;

/** The unit this person read a check in last; where they have not, the first one offered. */
export function lastUnit(check: string, units: readonly string[], storage: Kept = localStorage): string {
  const kept = storage.getItem(key(check, storage));
  return kept !== null && units.includes(kept) ? kept : (units[0] ?? "");
}

/** Keeps what a check is read in, by this person at this screen. */
export const keepUnit = (check: string, unit: string, storage: Kept = localStorage): void =>
  storage.setItem(key(check, storage), unit);
