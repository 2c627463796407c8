import { useEffect, useRef, useState } from "react";
import type { GaugeEvent } from "@/api/client";
import { askGauge } from "@/api/measure";
import { type GaugeState, listen } from "./gauge";

const SEEN = "liftbite.gauge ";

/** Listens to the data port of an instrument, by its key, and hands on every value, in order; a refresh goes on where it stopped. */
export function useGauge(
  instrument: string,
  onValue: (event: GaugeEvent) => Promise<void>,
): GaugeState | null {
  const [state, setState] = useState<GaugeState | null>(null);
  const hand = useRef(onValue);
  hand.current = onValue;
  useEffect(() => {
    if (!instrument) {
      setState(null);
      return;
    }
    const gone = new AbortController();
    setState({ connected: false, says: "Connecting …" });
    void listen({
      ask: (after, wait) => askGauge(instrument, after, wait, gone.signal),
      gone: gone.signal,
      seen: {
        read: () => Number(sessionStorage.getItem(SEEN + instrument)),
        keep: (number) => sessionStorage.setItem(SEEN + instrument, String(number)),
      },
      tell: setState,
      onValue: (event) => hand.current(event),
    });
    return () => gone.abort();
  }, [instrument]);
  return state;
}
