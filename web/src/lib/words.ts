import type { Figure, Verdict } from "@/api/client";
import { first, second, UNITS } from "@/lib/units";

/** The word of a state, one family per question. */
export const STATE_WORDS: Record<Verdict["state"], string> = {
  holds: "holds",
  thin: "thin",
  slips: "slips",
  frees: "frees",
  drags: "drags",
  stays: "stays",
  warm: "warm",
  cooks: "cooks",
  "runs true": "runs true",
  "look again": "look again",
  open: "open",
  stop: "stop",
  "does not fit": "does not fit",
  "cannot be": "cannot be",
};

export const QUESTION_LABELS: Record<Verdict["question"], string> = {
  bite: "Bite",
  lift: "Lift",
  heat: "Heat",
  true: "True",
};

/** A figure with its unit. */
export const whole = ({ figure, unit }: Figure["metric"]) => (unit ? `${figure} ${unit}` : figure);

/** A value in the units the shop prefers, as text: `241.3 mm · 9.5 in`; once where they are the same. */
export function bothSystems(value: Figure): string {
  const other = second(value);
  return other ? `${whole(first(value))} · ${whole(other)}` : whole(first(value));
}

/** From one value to another, in the units the shop prefers: `0.508 to 0.635 mm · 0.02 to 0.025 in`. */
export function rangeOf(low: Figure, high: Figure): string {
  const systems = UNITS === "both" ? (["metric", "inch"] as const) : ([UNITS] as const);
  const told = systems.map((system) =>
    low[system].unit === high[system].unit
      ? `${low[system].figure} to ${whole(high[system])}`
      : `${whole(low[system])} to ${whole(high[system])}`,
  );
  return [...new Set(told)].join(" · ");
}

/** A moment in the reader's own zone. */
export function moment(utc: string): string {
  return new Date(utc).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });
}

/** An ISO date as the reader's own day, without a clock: it has no zone. */
export function day(iso: string): string {
  const [year, month, date] = iso.split("-").map(Number);
  return new Date(year ?? 0, (month ?? 1) - 1, date).toLocaleDateString(undefined, { dateStyle: "medium" });
}
