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
