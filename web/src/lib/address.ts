import { useCallback } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";

/** What lies over a view; gone when it is closed. */
export const PANEL_KEYS = ["working", "ask", "assumptions", "friction", "stage", "keys", "shelf"] as const;

/** The address with some parts changed; null takes one out, everything else stays. */
export function withSearch(search: URLSearchParams, changes: Record<string, string | null>): string {
  const next = new URLSearchParams(search);
  for (const [key, value] of Object.entries(changes)) {
    if (value === null) next.delete(key);
    else next.set(key, value);
  }
  const text = next.toString().replace(/=(?=&|$)/g, "");
  return text ? `?${text}` : "?";
}

type Changes = Record<string, string | null>;

/**
 * What the address asks for, and how a view changes it: from how it stands now, not as it stood when the view was
 * drawn, and only while the view is open. What comes back late, such as a reading taken in or a search begun, does not
 * call back a builder who has turned elsewhere; nor does it where one of the parts `asDrawn` has changed since.
 */
export function useAddress(): [URLSearchParams, (changes: Changes, asDrawn?: readonly string[]) => void] {
  const [search] = useSearchParams();
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const put = useCallback(
    (changes: Changes, asDrawn: readonly string[] = []) => {
      const now = new URLSearchParams(location.search);
      if (location.pathname !== pathname || asDrawn.some((key) => now.get(key) !== search.get(key))) return;
      const next = withSearch(now, changes);
      if (next !== withSearch(now, {})) navigate(next, { replace: true, flushSync: true });
    },
    [pathname, search, navigate],
  );
  return [search, put];
}

export const NO_PANEL: Changes = Object.fromEntries(PANEL_KEYS.map((key) => [key, null]));

/** Addresses of panels over the view as it stands. */
export function usePanel() {
  const [search] = useSearchParams();
  return useCallback(
    (changes: Record<string, string | null>) => withSearch(search, { ...NO_PANEL, ...changes }),
    [search],
  );
}

const TRY = "try.";
/** The build that is worked on; left out, the plan on the workbench and what was found on the bench. */
export const BUILD = "build";

/** What is being tried without being entered, kept in the address: quantity to text. */
export function triedIn(search: URLSearchParams): Record<string, string> {
  return Object.fromEntries(
    [...search].filter(([key]) => key.startsWith(TRY)).map(([key, text]) => [key.slice(TRY.length), text]),
  );
}

/** What is tried, and in which build, goes along from view to view of the workbench; panels and part do not. */
export function triesOf(search: URLSearchParams): string {
  const drop = [...search.keys()].filter((key) => !key.startsWith(TRY) && key !== BUILD);
  const text = withSearch(search, Object.fromEntries(drop.map((key) => [key, null])));
  return text === "?" ? "" : text;
}

export const tryKey = (quantity: string) => `${TRY}${quantity}`;
