import { useCallback, useMemo } from "react";
import { triedIn, tryKey, useAddress } from "./address";
import type { Drafts } from "./drafts";

/** What is tried without being entered: it stands in the address, so that it can be sent to somebody. */
export function useTrial() {
  const [search, putAddress] = useAddress();
  const text = JSON.stringify(triedIn(search));
  const trial = useMemo<Drafts>(() => JSON.parse(text), [text]);
  const set = useCallback(
    (quantity: string, typed: string | null) => putAddress({ [tryKey(quantity)]: typed }),
    [putAddress],
  );
  const drop = useCallback(() => {
    const keys = Object.keys(trial).map((quantity) => [tryKey(quantity), null]);
    putAddress(Object.fromEntries(keys));
  }, [trial, putAddress]);
  return { trial, set, drop };
}
