import { NavLink, Outlet, useLocation, useSearchParams } from "react-router";
import { Rows } from "@/components/Rows";
import { Scroll } from "@/components/Scroll";
import { withSearch } from "@/lib/address";
import { GROUPS_OF, OF_PART, type View } from "@/lib/groups";
import { PARTS_LEAF, TWO_LEAVES } from "@/lib/leaves";
import { useDesk } from "@/lib/useDesk";

export const VIEWS: readonly { to: View; label: string }[] = [
  { to: "section", label: "Section" },
  { to: "bite", label: "Torque" },
  { to: "start", label: "Start" },
  { to: "wheel", label: "Flywheel" },
  { to: "find", label: "Find parts" },
  { to: "moves", label: "What moves it" },
];

/** Choose: the parts on the left, the clutch and what it amounts to on the right. */
export function Choose() {
  const view = (useLocation().pathname.split("/")[4] ?? "section") as View;
  const [search] = useSearchParams();
  const part = view === "section" ? search.get("part") : null;
  const groups = (part && OF_PART[part]?.groups) || GROUPS_OF[view] || [];
  return (
    <div className="flex h-full min-h-0 flex-col">
      <nav aria-label="Workbench" className="flex shrink-0 gap-1 overflow-x-auto border-b border-ink px-4">
        {VIEWS.map(({ to, label }) => (
          <NavLink
            key={to}
            to={{ pathname: to, search: keptBetweenViews(search) }}
            className={({ isActive }) =>
              `whitespace-nowrap border-b-[3px] px-3 py-1.5 ${
                isActive ? "border-ink font-bold" : "border-transparent text-soft hover:text-ink"
              }`
            }
          >
            {label}
          </NavLink>
        ))}
      </nav>
      <div className={`${groups.length > 0 ? TWO_LEAVES : "grid h-full min-h-0 grid-cols-1"} grow`}>
        {groups.length > 0 && (
          <Scroll label="Parts" className={PARTS_LEAF}>
            <Misfits />
            {groups.map((group) => (
              <Rows key={group.title} group={group} />
            ))}
          </Scroll>
        )}
        <Outlet />
      </div>
    </div>
  );
}

/** What is tried goes along from view to view; leaves and part do not. */
function keptBetweenViews(search: URLSearchParams): string {
  const drop = [...search.keys()].filter((key) => !key.startsWith("try."));
  const text = withSearch(search, Object.fromEntries(drop.map((key) => [key, null])));
  return text === "?" ? "" : text;
}

/** Parts that do not go together, with the way out. */
function Misfits() {
  const { shown } = useDesk();
  return shown.misfits.map((misfit) => (
    <p key={misfit.sentence} role="alert" className="mb-4 border-l-4 border-ink pl-3" data-testid="misfit">
      <span className="font-bold">▲ Stop.</span> {misfit.sentence}
    </p>
  ));
}
