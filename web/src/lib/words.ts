import type { Figure, Verdict } from "@/api/client";

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

const one = ({ figure, unit }: Figure["metric"]) => (unit ? `${figure} ${unit}` : figure);

/** A value in both systems, as text: `241.3 mm · 9.5 in`; once where they are the same. */
export function bothSystems(value: Figure): string {
  const [metric, inch] = [one(value.metric), one(value.inch)];
  return metric === inch ? metric : `${metric} · ${inch}`;
}

/** From one value to another, in both systems: `0.508 to 0.635 mm · 0.02 to 0.025 in`. */
export function rangeOf(low: Figure, high: Figure): string {
  const [metric, inch] = (["metric", "inch"] as const).map((system) =>
    low[system].unit === high[system].unit
      ? `${low[system].figure} to ${one(high[system])}`
      : `${one(low[system])} to ${one(high[system])}`,
  );
  return metric === inch ? `${metric}` : `${metric} · ${inch}`;
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
