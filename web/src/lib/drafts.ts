import { pageState } from "./state";

/** What is typed but not entered yet, by quantity. Kept in the tab, so that a reload loses nothing. */
export type Drafts = Readonly<Record<string, string>>;

/** What a job was when something was typed into it: enough to make another one of it. */
export type Base = { name: string; vehicle: string; layout: string; entered: Record<string, string> };

/** What is typed for a job, of which state of the shop. */
export type Held = { job: string; state: string; drafts: Drafts; base: Base | null };

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

function parsed(text: string | null): { drafts: Drafts; base: Base | null } {
  try {
    const found = JSON.parse(text ?? "{}");
    const drafts = texts(found?.drafts);
    const base = found?.base ? { ...found.base, entered: texts(found.base.entered) } : null;
    return { drafts: Object.keys(drafts).length === 0 ? NO_DRAFTS : drafts, base };
  } catch {
    return { drafts: NO_DRAFTS, base: null };
  }
}

export const loadDrafts = (
  job: number | string,
  storage: Pick<Storage, "getItem">,
  state = pageState(),
): Drafts => parsed(storage.getItem(key(job, state))).drafts;

export function saveDrafts(
  job: number | string,
  drafts: Drafts,
  storage: Pick<Storage, "setItem" | "removeItem">,
  base: Base | null = null,
  state = pageState(),
): void {
  if (Object.keys(drafts).length === 0) storage.removeItem(key(job, state));
  else storage.setItem(key(job, state), JSON.stringify({ drafts, base }));
}

/** What is typed for jobs of other states of the shop than the one given. */
export function heldOfOthers(storage: Storage, state: string): Held[] {
  const keys = Array.from({ length: storage.length }, (_, n) => storage.key(n) ?? "");
  return keys
    .filter((each) => each.startsWith(AHEAD) && !each.startsWith(`${AHEAD}${state}/`))
    .map((each) => {
      const [of, job = ""] = each.slice(AHEAD.length).split(/\/(.*)/s);
      return { job, state: of ?? "", ...parsed(storage.getItem(each)) };
    })
    .filter((held) => Object.keys(held.drafts).length > 0);
}

/** Lets what is typed for a job of some state go. */
export const letGo = (held: Pick<Held, "job" | "state">, storage: Pick<Storage, "removeItem">): void =>
  storage.removeItem(key(held.job, held.state));
