import type { Check } from "@/api/client";

/** The keypad, row by row: figures as they are typed on the bench, fractions among them. */
export const PAD: readonly (readonly string[])[] = [
  ["7", "8", "9", "⌫"],
  ["4", "5", "6", "−"],
  ["1", "2", "3", "⁄"],
  ["0", ".", "␣", "C"],
];

export const KEY_NAMES: Record<string, string> = {
  "⌫": "Take back a digit",
  "−": "Minus",
  "⁄": "Fraction bar",
  "␣": "Space before a fraction",
  C: "Clear",
  ".": "Point",
};

/** What a key makes of the figure in the display; a key that makes no figure does nothing. */
export function press(text: string, key: string): string {
  if (key === "C") return "";
  if (key === "⌫") return text.slice(0, -1);
  if (key === "−") return text.startsWith("-") ? text.slice(1) : `-${text}`;
  const last = text.split(/[ /]/).pop() ?? "";
  if (key === "⁄") return /\d$/.test(text) && !text.includes("/") && !last.includes(".") ? `${text}/` : text;
  if (key === "␣") return /\d$/.test(text) && !/[ /.]/.test(text) ? `${text} ` : text;
  if (key === ".") return last.includes(".") || text.includes("/") || text.includes(" ") ? text : `${text}.`;
  return text.length < 20 ? text + key : text;
}

/** The places of a check that have no reading yet, in order; one is on its way to those in `sent`. */
export const openPlaces = (check: Check, sent: readonly string[] = []): string[] => {
  const taken = new Set([...check.readings.map((reading) => reading.place), ...sent]);
  return check.places.map((place) => place.key).filter((key) => !taken.has(key));
};

/** Where the next reading goes: the place asked for, else the first without one; null when all are read. */
export function placeNow(check: Check, asked: string | null, sent: readonly string[] = []): string | null {
  if (asked && (check.grows || check.kind === "sweep" || check.places.some((place) => place.key === asked)))
    return asked;
  return openPlaces(check, sent)[0] ?? null;
}

/** The check after this one that still has places to read; null where none is left. */
export function nextCheck(checks: readonly Check[], name: string): string | null {
  const at = checks.findIndex((check) => check.name === name);
  const order = [...checks.slice(at + 1), ...checks.slice(0, Math.max(at, 0))];
  return order.find((check) => check.kind !== "figure" && openPlaces(check).length > 0)?.name ?? null;
}

/** A name for the next piece at hand: `Spacer 4` after three. */
export function pieceAfter(check: Check): string {
  const stem = check.places[0]?.item.replace(/ \d+$/, "") ?? "Piece";
  return `${stem} ${check.places.length + 1}`;
}
