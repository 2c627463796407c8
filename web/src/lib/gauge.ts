import type { GaugeEvent } from "@/api/client";

export type GaugeState = { connected: boolean; says: string };
export type GaugeNews = { connected: boolean; newest: number; events: GaugeEvent[] };
/** Asks a port for what it sent after an event, waiting so many seconds for news. */
export type Ask = (after: number, wait: number) => Promise<GaugeNews>;

/** Beyond any event there can be: "from now on". */
export const FROM_NOW = 2 ** 52;
const RETRY = 1500;
const WAIT = 4;
const SOON = 300;

type Listener = {
  ask: Ask;
  gone: AbortSignal;
  /** The last event seen of this port, kept over a refresh. */
  seen: { read: () => number; keep: (number: number) => void };
  tell: (state: GaugeState) => void;
  onValue: (event: GaugeEvent) => Promise<void>;
  retry?: number;
};

/** Hands on every value of a gauge, one after the other and in order, until it is called off. */
export async function listen({ ask, gone, seen, tell, onValue, retry = RETRY }: Listener): Promise<void> {
  let after = seen.read() || FROM_NOW;
  let says = "";
  let wait = 0; // how the port stands is asked at once, then for news
  while (!gone.aborted) {
    try {
      const asked = Date.now();
      const told = await ask(after, wait);
      // where too many wait already the answer comes at once: not asked again in the same breath
      if (wait > 0 && told.events.length === 0 && Date.now() - asked < SOON)
        await new Promise((go) => setTimeout(go, SOON));
      wait = WAIT;
      for (const event of told.events) {
        if (gone.aborted) return;
        if (event.kind === "value") await onValue(event);
        if (event.kind === "lost" || event.kind === "back") says = event.text;
        if (event.kind === "odd") says = "The gauge sent something that is no reading.";
        seen.keep(event.number);
      }
      after = told.newest;
      seen.keep(after);
      tell({ connected: told.connected, says });
    } catch (error) {
      if (gone.aborted) return;
      tell({ connected: false, says: error instanceof Error ? error.message : "The gauge cannot be read." });
      await new Promise((go) => setTimeout(go, retry));
    }
  }
}
