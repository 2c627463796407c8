import { NavLink } from "react-router";

type Props = {
  /** What the views are of. */
  label: string;
  views: readonly { to: string; label: string }[];
  /** What goes along in the address. */
  search?: string;
};

/** The views of a station, one beside the other. */
export function Tabs({ label, views, search = "" }: Props) {
  return (
    <nav aria-label={label} className="flex min-w-0 flex-wrap gap-x-1">
      {views.map((view) => (
        <NavLink
          key={view.to}
          to={{ pathname: view.to, search }}
          className={({ isActive }) =>
            `flex min-h-11 items-center whitespace-nowrap border-b-[3px] px-2 tablet:px-3 ${
              isActive ? "border-ink font-bold" : "border-transparent text-soft hover:text-ink"
            }`
          }
        >
          {view.label}
        </NavLink>
      ))}
    </nav>
  );
}
