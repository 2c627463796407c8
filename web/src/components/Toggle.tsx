import type { ReactNode } from "react";

/** One of several that may be pressed: a large target, dark while it is. */
export function Toggle({ on, onTurn, children }: { on: boolean; onTurn: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onTurn}
      className={`min-h-11 rounded-cut border px-3 ${on ? "border-ink bg-ink font-bold text-sheet" : "border-line bg-sheet"}`}
    >
      {children}
    </button>
  );
}
