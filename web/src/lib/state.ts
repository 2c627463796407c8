import { useSyncExternalStore } from "react";

/**
 * The state of the shop this page was opened in. After a backup was brought back the shop is in another one: numbers of
 * jobs and revisions mean others then, so what is typed here is sent for this state alone.
 */
const opened = globalThis.document?.documentElement.dataset.state ?? "";
let now = opened;
const listeners = new Set<() => void>();

/** The header by which answers say of which state they are, and requests for which one they are made. */
export const STATE = "Shop-State";

/** The state this page was opened in; empty where the page does not say. */
export const pageState = (): string => opened;

/** The version of something, of this page's state, as a request names it. */
export const tag = (version: number, state = opened): string =>
  state ? `"${state}.${version}"` : `"${version}"`;

/** Looks at an answer: of another state than this page's, the page says so. */
export function heard(response: Pick<Response, "headers">): void {
  const state = response.headers.get(STATE);
  if (!state || !opened || state === now) return;
  now = state;
  for (const listener of listeners) listener();
}

/** Whether the shop is in another state than this page was opened in. */
export const useAnotherState = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
    () => now !== opened,
  );
