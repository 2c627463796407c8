const KEY = "liftbite.person";

/** Who works at this screen; the name stands under what is read, entered and said. Nothing where nobody gave one. */
export const person = (storage: Pick<Storage, "getItem"> = localStorage): string =>
  storage.getItem(KEY) ?? "";

export function setPerson(
  name: string,
  storage: Pick<Storage, "setItem" | "removeItem"> = localStorage,
): void {
  const said = name.trim().replace(/\s+/g, " ").slice(0, 60);
  if (said) storage.setItem(KEY, said);
  else storage.removeItem(KEY);
}

/** The name the shop knows somebody by, where the one typed differs from it by case, accents or spaces alone. */
export const knownAs = (typed: string, people: readonly string[]): string => {
  const name = typed.trim().replace(/\s+/g, " ");
  const same = (each: string) => each.localeCompare(name, undefined, { sensitivity: "base" }) === 0;
  return people.includes(name) ? name : (people.find(same) ?? name);
};
