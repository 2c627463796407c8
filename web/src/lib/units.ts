import type { Figure, Section, Shop } from "@/api/client";
import { digits } from "./motion";

type Shown = Figure["metric"];

/** The units the shop prefers, as the page came with them. */
export const UNITS = (globalThis.document?.documentElement.dataset.units ?? "both") as Shop["units"];

/** A value in the system that is shown first. */
export const first = (value: Figure, units = UNITS): Shown => (units === "inch" ? value.inch : value.metric);

/** A value in the other system; nothing where one is preferred alone, or both write it alike. */
export function second(value: Figure, units = UNITS): Shown | null {
  const { metric, inch } = value;
  return units !== "both" || (metric.figure === inch.figure && metric.unit === inch.unit) ? null : inch;
}

const NAMES = {
  length: ["mm", "in"],
  force: ["N", "lbf"],
  pressure: ["MPa", "psi"],
  torque: ["N·m", "lb-ft"],
} as const;

export type Kind = keyof typeof NAMES;

/** How values of a drawing, which come metric, are written in the system that is shown first. */
export function writing(per: Section["inch"], units = UNITS) {
  const inch = units === "inch";
  const factor = (kind: Kind) => (inch ? per[kind] : 1);
  const unit = (kind: Kind) => NAMES[kind][inch ? 1 : 0];
  const write = (kind: Kind, value: number, decimals?: number) => {
    const there = value * factor(kind);
    return `${decimals === undefined ? digits(there) : there.toFixed(inch && kind === "length" ? decimals + 1 : decimals)} ${unit(kind)}`;
  };
  return { factor, unit, write };
}
