import { del, get, set } from "idb-keyval";
import { useSyncExternalStore } from "react";
import { type Base, loadBase, loadDrafts } from "./drafts";
import { pageState } from "./state";

/**
 * What could not be sent: where it goes, and its body with the name that counts it once.
 * A file has its bytes in a store of its own, under the same name.
 */
export type Kept = {
  address: string;
  body: { request?: string | null } & Record<string, unknown>;
  /** In words, for whoever reads what waits. */
  what?: string;
  /** Of which state of the shop it is. */
  state?: string;
  /** The version it replaces, as a header names it. */
  tag?: string;
  /** True for a file. */
  file?: boolean;
  /** What the job it is of was, as the tab showed it. */
  base?: Base | null;
};

/** Where a file waits. */
export type Files = {
  get: (name: string) => Promise<Blob | undefined>;
  set: (name: string, file: Blob) => Promise<void>;
  del: (name: string) => Promise<void>;
};
export const FILES: Files = { get, set, del };

const AHEAD = "liftbite.waits.";
const ALIVE = "liftbite.alive.";
/** How long until a server that does not answer is asked again [ms]. */
const PAUSE = 1500;
/** A tab that said nothing for so long is closed: what waited in it is sent by another [ms]. */
export const CLOSED = 20_000;
const SAYS = 4000;

type Waiting = { count: number; why: string };
let waiting: Waiting = { count: 0, why: "" };
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
const waits = (by: number, why = waiting.why) => {
  waiting = { count: waiting.count + by, why };
  tell();
};

/** How many things wait in this tab, and for what. */
export const useWaiting = (): Waiting => useSyncExternalStore(listen, () => waiting);

/** What was kept and then refused, each in a sentence; and a way to have done with it. */
export const useRefused = () => useSyncExternalStore(listen, () => refused);
export function readRefused() {
  refused = [];
  tell();
}

/** What this tab goes by; over a reload it is the same. */
export function tabName(storage: Pick<Storage, "getItem" | "setItem"> = sessionStorage): string {
  const there = storage.getItem("liftbite.tab");
  if (there) return there;
  const name = Array.from(crypto.getRandomValues(new Uint8Array(8)), (b) => b.toString(16)).join("");
  storage.setItem("liftbite.tab", name);
  return name;
}

export function keptIn(storage: Storage, tab = tabName()): Kept[] {
  try {
    const kept: unknown = JSON.parse(storage.getItem(AHEAD + tab) ?? "[]");
    return Array.isArray(kept) ? kept : [];
  } catch {
    return [];
  }
}

export function keepIn(storage: Storage, kept: Kept[], tab = tabName()): void {
  if (kept.length === 0) {
    storage.removeItem(AHEAD + tab);
    storage.removeItem(ALIVE + tab);
  } else {
    storage.setItem(AHEAD + tab, JSON.stringify(kept));
    storage.setItem(ALIVE + tab, String(Date.now()));
  }
}

const without = (storage: Storage, request: unknown) =>
  keepIn(
    storage,
    keptIn(storage).filter((each) => each.body.request !== request),
  );

/** Keeps one more, or what one says by now. */
export function keepOne(storage: Storage, kept: Kept): void {
  const others = keptIn(storage).filter((each) => each.body.request !== kept.body.request);
  const job = /\/api\/jobs\/(\d+)/.exec(kept.address)?.[1] ?? "";
  const base = globalThis.sessionStorage ? loadBase(job, sessionStorage) : null;
  keepIn(storage, [...others, { state: pageState(), ...(base && { base }), ...kept }]);
}

const isOfAnotherState = (error: unknown) =>
  (error as { type?: string } | null)?.type === "urn:liftbite:another-state";

const rest = () => new Promise((done) => setTimeout(done, PAUSE));

/**
 * Sends until the server takes it or refuses it. What waits is kept beside the tab meanwhile, so that a page loaded anew
 * sends it, and where the tab is closed another one does; it carries a name, so that sent twice it counts once.
 *
 * @param call sends it
 * @param silent whether an error is a server that cannot take it now: none answers, it is busy, its disk is full
 * @param kept what is kept; nothing for what must not be sent without being looked at again
 * @param file the bytes of a file that is kept
 */
export async function patiently<T>(
  call: () => Promise<T>,
  silent: (error: unknown) => boolean,
  kept?: Kept,
  storage: Storage = localStorage,
  file?: Blob,
  files: Files = FILES,
): Promise<T> {
  let began = false;
  let stays = false;
  try {
    for (;;) {
      try {
        return await call();
      } catch (error) {
        if (kept && isOfAnotherState(error)) {
          // it is of a state that is gone: the page shows what it holds, and somebody says what becomes of it
          stays = true;
          keepOne(storage, file ? { ...kept, file: true } : kept);
          if (file && kept.body.request) await files.set(kept.body.request, file).catch(() => {});
        }
        if (!silent(error)) throw error;
        const why = error instanceof Error ? error.message : "";
        if (!began) {
          began = true;
          if (kept) {
            if (file && kept.body.request) await files.set(kept.body.request, file).catch(() => {});
            keepOne(storage, file ? { ...kept, file: true } : kept);
          }
          waits(1, why);
        } else waits(0, why);
        await rest();
      }
    }
  } finally {
    if (began) {
      if (kept && !stays) {
        without(storage, kept.body.request);
        if (file && kept.body.request) await files.del(kept.body.request).catch(() => {});
      }
      waits(-1);
    }
  }
}

/** Takes over what waited in tabs that are closed: it is this tab's from now on. */
export function takeOver(storage: Storage, now = Date.now(), tab = tabName()): number {
  const keys = Array.from({ length: storage.length }, (_, n) => storage.key(n) ?? "");
  let taken = 0;
  for (const each of keys) {
    const of = each.slice(AHEAD.length);
    if (!each.startsWith(AHEAD) || of === tab) continue;
    if (now - Number(storage.getItem(ALIVE + of) ?? 0) < CLOSED) continue;
    const theirs = keptIn(storage, of);
    storage.removeItem(each);
    storage.removeItem(ALIVE + of);
    if (theirs.length > 0) keepIn(storage, [...keptIn(storage, tab), ...theirs], tab);
    taken += theirs.length;
  }
  return taken;
}

/** Says that this tab is there while something waits in it, and looks after those that are closed. */
export function stayAlive(storage: Storage, onTaken: () => void): () => void {
  const timer = setInterval(() => {
    if (keptIn(storage).length > 0) storage.setItem(ALIVE + tabName(), String(Date.now()));
    if (takeOver(storage) > 0) onTaken();
  }, SAYS);
  return () => clearInterval(timer);
}

/** What was kept of other states of the shop than the one given; it is not sent. */
export const keptOfOthers = (storage: Storage, state: string): Kept[] =>
  keptIn(storage).filter((each) => (each.state ?? state) !== state);

/** Lets some of what was kept go. */
export function letKeptGo(storage: Storage, gone: readonly Kept[]): void {
  const names = new Set(gone.map((each) => each.body.request));
  keepIn(
    storage,
    keptIn(storage).filter((each) => !names.has(each.body.request)),
  );
}

/** Leaves what was entered to the fields, where the tab still has it typed there: it is entered from them. */
export function dropTyped(storage: Storage, tabs: Pick<Storage, "getItem">): void {
  keepIn(
    storage,
    keptIn(storage).filter((each) => {
      if (!Array.isArray(each.body.entries)) return true;
      const job = String(each.body.request).replace("entries ", "");
      const typed = loadDrafts(job, tabs, each.state);
      return each.body.entries.some(({ quantity }) => !(quantity in typed));
    }),
  );
}

/** Sends what was kept for this state of the shop, one after the other. */
export async function sendKept(
  post: (kept: Kept, file?: Blob) => Promise<unknown>,
  silent: (error: unknown) => boolean,
  storage: Storage = localStorage,
  files: Files = FILES,
  state = pageState(),
): Promise<number> {
  const kept = keptIn(storage).filter((each) => (each.state ?? state) === state);
  for (const each of kept) {
    const name = each.body.request;
    const file = each.file && name ? await files.get(name).catch(() => undefined) : undefined;
    await patiently(() => post(each, file), silent).catch((error: unknown) => {
      const why = error instanceof Error ? error.message : String(error);
      refused = [...refused, each.what ? `${each.what}: ${why}` : why];
      tell();
    });
    without(storage, name);
    if (file && name) await files.del(name).catch(() => {});
  }
  return kept.length;
}
