import { useCallback } from "react";
import { useSearchParams } from "react-router";

/** What lies over a view; put away when it is closed. */
export const LEAF_KEYS = ["working", "ask", "assumptions", "friction", "stage", "keys", "shelf"] as const;

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

const NO_LEAF = Object.fromEntries(LEAF_KEYS.map((key) => [key, null]));

/** Addresses of leaves over the view as it stands. */
export function useLeaf() {
  const [search] = useSearchParams();
  return useCallback(
    (changes: Record<string, string | null>) => withSearch(search, { ...NO_LEAF, ...changes }),
    [search],
  );
}

const TRY = "try.";

/** What is being tried without being entered, kept in the address: quantity to text. */
export function triedIn(search: URLSearchParams): Record<string, string> {
  return Object.fromEntries(
    [...search].filter(([key]) => key.startsWith(TRY)).map(([key, text]) => [key.slice(TRY.length), text]),
  );
}

export const tryKey = (quantity: string) => `${TRY}${quantity}`;
