import { useEffect, useState } from "react";
import type { Check } from "@/api/client";

/** The places a reading is on its way to; each counts until the bench shows its reading, or it was refused. */
export function useSent(
  check: Check,
): [readonly string[], (place: string) => () => void, (place: string) => void] {
  const [sent, setSent] = useState<readonly { place: string; taken: boolean }[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was taken is shown once the readings are others
  useEffect(() => setSent((now) => now.filter((each) => !each.taken)), [check.readings]);
  const without = (place: string) => setSent((now) => now.filter((each) => each.place !== place));
  const add = (place: string) => {
    setSent((now) => [...now, { place, taken: false }]);
    return () => setSent((now) => now.map((each) => (each.place === place ? { place, taken: true } : each)));
  };
  return [sent.map((each) => each.place), add, without];
}
