import type { BenchChange } from "@/api/measure";

/** Sends a change of the bench; what was refused comes back as its sentence, null where it was taken. */
export type Send = (change: BenchChange) => Promise<string | null>;
