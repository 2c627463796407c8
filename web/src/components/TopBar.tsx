import type { ReactNode } from "react";
import { useState } from "react";
import { Link, NavLink } from "react-router";
import { type Print, storedPrint, storePrint, systemPrint } from "@/lib/theme";
import { Units } from "./Units";
import { Waits } from "./Waits";

/** The head of the sheet. */
export function TopBar({ children }: { children?: ReactNode }) {
  const [print, setPrint] = useState<Print>(() => storedPrint() ?? systemPrint());
  const other: Print = print === "day" ? "night" : "day";
  return (
    <>
      <header className="flex min-h-13 shrink-0 flex-wrap items-stretch gap-x-2 border-b border-ink bg-paper px-4 no-print wide:gap-x-5">
        <Link
          to="/"
          className="order-2 flex min-h-11 items-center gap-2 py-2 font-bold tablet:order-none"
          aria-label="Lift Bite: all jobs"
        >
          <svg viewBox="0 0 28 24" className="h-6 w-7" aria-hidden="true" fill="none" stroke="currentColor">
            <path d="M2 2h10v20H2zM16 2h10v20H16z" strokeWidth="1.8" />
            <path
              d="M2 9l10-7M2 16l10-7M2 22l10-6.5M16 2l10 7M16 9l10 7M16 15.500l10 6.500"
              strokeWidth="1.2"
            />
          </svg>
          <span className="hidden text-head [font-stretch:85%] wide:inline">Lift Bite</span>
        </Link>
        {children}
        <NavLink
          to="/shelf"
          className={({ isActive }) =>
            `order-3 ml-auto flex items-center border-b-4 px-3 pt-1 font-semibold ${
              isActive ? "border-ink" : "border-transparent text-soft hover:text-ink"
            }`
          }
        >
          Shelf
        </NavLink>
        <Units onPhone={!children} />
        <button
          type="button"
          className="button order-3 my-2"
          onClick={() => {
            storePrint(other);
            setPrint(other);
          }}
        >
          <span>
            {other === "night" ? "Night" : "Day"}
            <span className="hidden wide:inline"> print</span>
          </span>
        </button>
      </header>
      <Waits />
    </>
  );
}
