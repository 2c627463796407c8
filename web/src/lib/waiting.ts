import { useSyncExternalStore } from "react";

/** What is appended and could not be sent: where it goes, and its body with the name that counts it once. */
export type Kept = { address: string; body: { request?: string | null } & Record<string, unknown> };

const KEY = "liftbite.waits";
/** How long until a server that does not answer is asked again [ms]. */
const PAUSE = 1500;
let count = 0;
let refused: readonly string[] = [];
const listeners = new Set<() => void>();
const tell = () => {
  for (const listener of listeners) listener();
};

const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
};

/** How many things wait in this tab for a server that does not answer. */
export const useWaiting = () => useSyncExternalStore(listen, () => count);

/** What was kept over a reload and then refused, each in a sentence; and a way to have done with it. */
export const useRefused = () => useSyncExternalStore(listen, () => refused);
export function readRefused() {
  refused = [];
  tell();
}

export function keptIn(storage: Storage): Kept[] {
  try {
    const kept: unknown = JSON.parse(storage.getItem(KEY) ?? "[]");
    return Array.isArray(kept) ? kept : [];
  } catch {
    return [];
  }
}

const write = (storage: Storage, kept: Kept[]) =>
  kept.length === 0 ? storage.removeItem(KEY) : storage.setItem(KEY, JSON.stringify(kept));

const without = (storage: Storage, request: unknown) =>
  write(
    storage,
    keptIn(storage).filter((each) => each.body.request !== request),
  );

const rest = () => new Promise((done) => setTimeout(done, PAUSE));

/**
 * Sends until the server answers, whatever it answers. What is appended is kept in the tab meanwhile, so that a page
 * loaded anew still sends it; it carries a name, so that sent twice it counts once.
 *
 * @param call sends it
 * @param silent whether an error is a server that does not answer
 * @param kept what is kept over a reload; nothing for what must not be sent without being looked at again
 */
export async function patiently<T>(
  call: () => Promise<T>,
  silent: (error: unknown) => boolean,
  kept?: Kept,
  storage: Storage = sessionStorage,
): Promise<T> {
  let waits = false;
  try {
    for (;;) {
      try {
        return await call();
      } catch (error) {
        if (!silent(error)) throw error;
        if (!waits) {
          waits = true;
          count += 1;
          if (kept) write(storage, [...keptIn(storage), kept]);
          tell();
        }
        await rest();
      }
    }
  } finally {
    if (waits) {
      count -= 1;
      if (kept) without(storage, kept.body.request);
      tell();
    }
  }
}

/** Sends what a page that was loaded anew had kept, one after the other. */
export async function sendKept(
  post: (kept: Kept) => Promise<unknown>,
  silent: (error: unknown) => boolean,
  storage: Storage = sessionStorage,
): Promise<number> {
  const kept = keptIn(storage);
  for (const each of kept) {
    await patiently(() => post(each), silent, undefined, storage).catch((error: unknown) => {
      refused = [...refused, error instanceof Error ? error.message : String(error)];
      tell();
    });
    without(storage, each.body.request);
  }
  return kept.length;
}
