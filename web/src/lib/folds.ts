const STORE = "liftbite.columns";

/** Whether a builder wants every figure on screen at once, those too that are taken as usual. */
export const everythingShown = (storage: Pick<Storage, "getItem"> = localStorage): boolean =>
  storage.getItem(STORE) === "all";

export const showEverything = (all: boolean, storage: Pick<Storage, "setItem"> = localStorage): void =>
  storage.setItem(STORE, all ? "all" : "needed");

/** So few figures are not worth a fold. */
const FEW = 3;

type Fold = { mark: string; typed?: string | null; problem?: string | null; question?: unknown };

/** The rows of a group that can be folded: figures that are assumed, that nobody typed, and that ask nothing. */
export function foldable(
  rows: readonly string[],
  field: (name: string) => Fold | undefined,
  seen: ReadonlySet<string>,
): readonly string[] {
  const found = rows.filter((name) => {
    const there = field(name);
    return there?.mark === "assumed" && !there.typed && !there.problem && !there.question && !seen.has(name);
  });
  return found.length < FEW ? [] : found;
}
