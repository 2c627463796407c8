import { useReducer } from "react";
import { NavLink, Outlet, useLocation, useSearchParams } from "react-router";
import { useCatalogue } from "@/api/queries";
import { Jumps } from "@/components/Jumps";
import { Rows } from "@/components/Rows";
import { Scroll } from "@/components/Scroll";
import { buildOf } from "@/components/TitleBlock";
import { BUILD, triesOf, useAddress } from "@/lib/address";
import { ENTRIES_COLUMN, TWO_COLUMNS } from "@/lib/columns";
import { groupsOf } from "@/lib/groups";
import { useJobEditor } from "@/lib/useJobEditor";

export const VIEWS: readonly { to: string; label: string }[] = [
  { to: "section", label: "Section" },
  { to: "bite", label: "Torque" },
  { to: "start", label: "Start" },
  { to: "flywheel", label: "Flywheel" },
  { to: "find", label: "Find parts" },
  { to: "moves", label: "What moves it" },
  { to: "against", label: "Builds" },
];

/** Choose: the parts on the left, the clutch and what it amounts to on the right. */
export function Choose() {
  const view = useLocation().pathname.split("/")[4] ?? "section";
  const [search] = useSearchParams();
  const part = view === "section" ? search.get("part") : null;
  const groups = groupsOf(useCatalogue().data, view, part);
  const [turned, turn] = useReducer((n: number) => n + 1, 0);
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex shrink-0 flex-wrap border-b border-ink">
        <nav aria-label="Workbench" className="flex min-w-0 gap-1 overflow-x-auto px-4">
          {VIEWS.map(({ to, label }) => (
            <NavLink
              key={to}
              to={{ pathname: to, search: triesOf(search) }}
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
        <Tried />
        <WhichBuild />
      </div>
      <OfThisBuild />
      <div className={`${groups.length > 0 ? TWO_COLUMNS : "grid h-full min-h-0 grid-cols-1"} grow`}>
        {groups.length > 0 && (
          <Scroll label="Parts" className={ENTRIES_COLUMN}>
            <Jumps groups={groups} onTurn={turn} />
            <Misfits />
            {groups.map((group) => (
              <Rows key={`${group.name} ${turned}`} group={group} />
            ))}
          </Scroll>
        )}
        <Outlet />
      </div>
    </div>
  );
}

/** Which build the figures beside are of. */
function WhichBuild() {
  const { entered } = useJobEditor();
  const [, put] = useAddress();
  return (
    <label className="ml-auto flex items-center gap-2 px-4 py-0.5 text-note">
      Build
      <select
        aria-label="Build"
        value={entered.build}
        onChange={(event) => put({ [BUILD]: event.target.value || null })}
        className="h-8 max-w-[14rem] rounded-cut border border-line bg-sheet px-1 font-semibold"
      >
        {entered.builds.map(({ name, label }) => (
          <option key={name} value={name}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is changed where another build than the plan is worked on. */
function OfThisBuild() {
  const { entered } = useJobEditor();
  const [, put] = useAddress();
  if (!entered.build) return null;
  const found = entered.build === "found";
  return (
    <p
      role="status"
      data-testid="of-build"
      className="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-ink bg-sheet px-4 py-1 text-note"
    >
      <b>{buildOf(entered)}.</b>
      {found
        ? entered.apart.length > 0
          ? "What is entered here is of the parts that come out; of a part that stays it is the plan's as well."
          : "Every part stays, so this is the plan. Say under Builds which are renewed."
        : "What is entered here is of this alternative alone; all else is the plan's."}
      <button type="button" className="plain-link min-h-6" onClick={() => put({ [BUILD]: null })}>
        Back to the plan
      </button>
    </p>
  );
}

/** Parts that do not go together, with the way out. */
function Misfits() {
  const { shown } = useJobEditor();
  return shown.misfits.map((misfit) => (
    <p key={misfit.sentence} role="alert" className="mb-4 border-l-4 border-ink pl-3" data-testid="misfit">
      <span className="font-bold">▲ Stop.</span> {misfit.sentence}
    </p>
  ));
}

/** What is tried and not entered: every number of the workbench stands on it until it is dropped. */
function Tried() {
  const editor = useJobEditor();
  const catalogue = useCatalogue();
  const tried = Object.entries(editor.trial);
  if (tried.length === 0) return null;
  const { inputs = [], choices = [] } = catalogue.data ?? {};
  const words = tried.map(([quantity, typed]) => {
    const choice = choices.find((each) => each.name === quantity);
    const label = choice?.label ?? inputs.find((each) => each.name === quantity)?.label ?? quantity;
    return `${label} ${choice?.options.find((option) => option.value === typed)?.label ?? typed}`;
  });
  return (
    <p
      className="ml-auto flex min-w-0 items-center gap-3 px-4 py-1 text-note"
      role="status"
      data-testid="tried"
    >
      <span className="min-w-0 truncate" title={words.join(", ")}>
        <b>Tried, not entered:</b> {words.join(", ")}
      </span>
      <button type="button" className="plain-link min-h-6 shrink-0" onClick={editor.dropTrial}>
        Drop it
      </button>
      <button type="button" className="plain-link min-h-6 shrink-0" onClick={editor.keepTrial}>
        Enter it
      </button>
    </p>
  );
}
