import { pageState } from "./state";

/** What is typed but not entered yet, by quantity. Kept in the tab, so that a reload loses nothing. */
export type Drafts = Readonly<Record<string, string>>;

/** What a job was when something was typed into it: enough to make another one of it. */
export type Base = { name: string; vehicle: string; layout: string; entered: Record<string, string> };

/** What is typed for a job, of which state of the shop. */
export type Held = { job: string; state: string; drafts: Drafts };

export const NO_DRAFTS: Drafts = {};

/** The drafts with one more, or with one that says the same as what is entered taken out. */
export function typing(drafts: Drafts, quantity: string, typed: string, entered: string | null): Drafts {
  if (typed === (entered ?? "")) return without(drafts, [quantity]);
  return { ...drafts, [quantity]: typed };
}

/** The drafts less some. */
export function without(drafts: Drafts, quantities: readonly string[]): Drafts {
  const left = Object.entries(drafts).filter(([quantity]) => !quantities.includes(quantity));
  return left.length === Object.keys(drafts).length ? drafts : Object.fromEntries(left);
}

/** Drafts as entries; an emptied field withdraws its quantity. */
export function asEntries(drafts: Drafts): { quantity: string; typed: string | null }[] {
  return Object.entries(drafts).map(([quantity, typed]) => ({ quantity, typed: typed.trim() || null }));
}

const AHEAD = "liftbite.drafts.";
// a draft is of a job of one state of the shop: after a backup was brought back the number is another job's
const key = (job: number | string, state: string) => `${AHEAD}${state}/${job}`;

function texts(found: unknown): Record<string, string> {
  if (typeof found !== "object" || found === null) return {};
  const pairs = Object.entries(found).filter((pair): pair is [string, string] => typeof pair[1] === "string");
  return Object.fromEntries(pairs);
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? "null");
  } catch {
    return null;
  }
}

export function loadDrafts(
  job: number | string,
  storage: Pick<Storage, "getItem">,
  state = pageState(),
): Drafts {
  const found = texts(parsed(storage.getItem(key(job, state))));
  return Object.keys(found).length === 0 ? NO_DRAFTS : found;
}

export function saveDrafts(
  job: number | string,
  drafts: Drafts,
  storage: Pick<Storage, "setItem" | "removeItem">,
  state = pageState(),
): void {
  if (Object.keys(drafts).length === 0) storage.removeItem(key(job, state));
  else storage.setItem(key(job, state), JSON.stringify(drafts));
}

const baseKey = (job: number | string, state: string) => `liftbite.base.${state}/${job}`;

/** Keeps what a job is as this tab shows it. */
export const saveBase = (
  job: number,
  base: Base,
  storage: Pick<Storage, "setItem">,
  state = pageState(),
): void => storage.setItem(baseKey(job, state), JSON.stringify(base));

/** What a job was as this tab showed it; nothing where it did not. */
export function loadBase(
  job: number | string,
  storage: Pick<Storage, "getItem">,
  state = pageState(),
): Base | null {
  const found = parsed(storage.getItem(baseKey(job, state))) as Partial<Base> | null;
  if (typeof found?.layout !== "string") return null;
  const { layout, name = "", vehicle = "" } = found;
  return { layout, name, vehicle, entered: texts(found.entered) };
}

/** What is typed for jobs of other states of the shop than the one given. */
export function heldOfOthers(storage: Storage, state: string): Held[] {
  const keys = Array.from({ length: storage.length }, (_, n) => storage.key(n) ?? "");
  return keys
    .filter((each) => each.startsWith(AHEAD) && !each.startsWith(`${AHEAD}${state}/`))
    .map((each) => {
      const [of, job = ""] = each.slice(AHEAD.length).split(/\/(.*)/s);
      return { job, state: of ?? "", drafts: texts(parsed(storage.getItem(each))) };
    })
    .filter((held) => Object.keys(held.drafts).length > 0);
}

/** Lets what is typed for a job of some state go. */
export const letGo = (held: Pick<Held, "job" | "state">, storage: Pick<Storage, "removeItem">): void =>
  storage.removeItem(key(held.job, held.state));
