import { useSyncExternalStore } from "react";

/** Day or night print; without a choice the sheet follows the system. */
export type Print = "day" | "night";

const KEY = "liftbite.print";

export function storedPrint(): Print | null {
  const found = localStorage.getItem(KEY);
  return found === "day" || found === "night" ? found : null;
}

export function systemPrint(): Print {
  return matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day";
}

export function applyPrint(print: Print | null): void {
  if (print === null) delete document.documentElement.dataset.print;
  else document.documentElement.dataset.print = print;
}

export function storePrint(print: Print): void {
  localStorage.setItem(KEY, print);
  applyPrint(print);
}

const watched = (changed: () => void) => {
  const seen = new MutationObserver(changed);
  seen.observe(document.documentElement, { attributeFilter: ["data-print"] });
  return () => seen.disconnect();
};

/** Whether the night print is shown, as it changes. */
export const useNight = () =>
  useSyncExternalStore(watched, () => (document.documentElement.dataset.print ?? systemPrint()) === "night");
