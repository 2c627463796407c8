import type { Candidate, Find, TakeIn } from "@/api/client";

/** A candidate as text for the address: part numbers, then figures left free. */
export function pinOf(candidate: Pick<Candidate, "parts" | "free">): string {
  const parts = Object.values(candidate.parts).join(".");
  const free = Object.entries(candidate.free).map(([quantity, typed]) => `${quantity}:${typed}`);
  return [parts, ...free].join("~");
}

/** What a pin takes into a job. */
export function takenBy(pin: string): TakeIn {
  const [parts = "", ...free] = pin.split("~");
  return {
    parts: parts
      .split(".")
      .map(Number)
      .filter((n) => Number.isInteger(n) && n > 0),
    entries: free.map((pair) => {
      const [quantity = "", ...typed] = pair.split(":");
      return { quantity, typed: typed.join(":") };
    }),
  };
}

export const MOST_PINS = 4;

export type Objective = Find["objectives"][number];
export type Ranges = Readonly<Record<string, readonly [number, number]>>;

/** Least and largest value of an objective among candidates. */
export function reachOf(candidates: readonly Candidate[], name: string): [number, number] {
  const values = candidates.map((c) => c.objectives[name]).filter((v): v is number => v !== undefined);
  if (values.length === 0) return [0, 1];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  return low === high ? [low - Math.abs(low || 1) * 0.05, high + Math.abs(high || 1) * 0.05] : [low, high];
}

/** Candidates within every range that is set. */
export function within(candidates: readonly Candidate[], ranges: Ranges): Candidate[] {
  return candidates.filter((candidate) =>
    Object.entries(ranges).every(([name, [low, high]]) => {
      const value = candidate.objectives[name];
      return value === undefined || (value >= low - 1e-9 && value <= high + 1e-9);
    }),
  );
}

/** Sorted by an objective, the better first. */
export function sortedBy(candidates: readonly Candidate[], objective: Objective | undefined): Candidate[] {
  if (!objective) return [...candidates];
  const way = objective.more ? -1 : 1;
  return [...candidates].sort(
    (a, b) => way * ((a.objectives[objective.name] ?? 0) - (b.objectives[objective.name] ?? 0)),
  );
}

/** A count in words a builder reads at a glance: 13 922 370 as 13.9 million. */
export function counted(count: number): string {
  if (count >= 1e6) return `${(count / 1e6).toFixed(count >= 1e7 ? 0 : 1)} million`;
  return count.toLocaleString("en-GB").replace(/,/g, "\u202f");
}
