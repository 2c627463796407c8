/** What is typed but not entered yet, by quantity. Kept in the tab, so that a reload loses nothing. */
export type Drafts = Readonly<Record<string, string>>;

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

const key = (job: number | string) => `liftbite.drafts.${job}`;

export function loadDrafts(job: number | string, storage: Pick<Storage, "getItem">): Drafts {
  try {
    const found: unknown = JSON.parse(storage.getItem(key(job)) ?? "{}");
    if (typeof found !== "object" || found === null) return NO_DRAFTS;
    const texts = Object.entries(found).filter(
      (pair): pair is [string, string] => typeof pair[1] === "string",
    );
    return Object.fromEntries(texts);
  } catch {
    return NO_DRAFTS;
  }
}

export function saveDrafts(
  job: number | string,
  drafts: Drafts,
  storage: Pick<Storage, "setItem" | "removeItem">,
): void {
  if (Object.keys(drafts).length === 0) storage.removeItem(key(job));
  else storage.setItem(key(job), JSON.stringify(drafts));
}
