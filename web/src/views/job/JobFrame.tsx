import { useEffect } from "react";
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import type { Job } from "@/api/client";
import { useCatalogue, useJob } from "@/api/queries";
import { ConflictDialog } from "@/components/ConflictDialog";
import { TitleBlock } from "@/components/TitleBlock";
import { TopBar } from "@/components/TopBar";
import { BUILD, triesOf, usePanel, withSearch } from "@/lib/address";
import { actionOf, keysOn } from "@/lib/keys";
import { JobEditorContext, useJobEditor, useJobEditorState } from "@/lib/useJobEditor";
import { Trouble } from "@/views/Trouble";
import { NextQuestion } from "./NextQuestion";
import { Panels } from "./Panels";

const STATIONS = [
  { to: "brief", label: "Brief" },
  { to: "choose", label: "Choose" },
  { to: "measure", label: "Measure" },
  { to: "fit", label: "Fit" },
  { to: "prove", label: "Prove" },
  { to: "sheet", label: "Sheet" },
  { to: "record", label: "Record" },
];

/** One job: the stations of the work above, the four answers below. */
export function JobFrame() {
  const id = Number(useParams().id);
  const [search] = useSearchParams();
  const bench = useLocation().pathname.includes("/measure");
  const build = bench ? "" : (search.get(BUILD) ?? "");
  const job = useJob(id, build);
  if (job.error && !job.data) return <Trouble sentence={job.error.message} />;
  if (!job.data) return <p className="p-8">Opening the job …</p>;
  return <OpenJob key={`${id}/${build}`} job={job.data} />;
}

function OpenJob({ job }: { job: Job }) {
  const editor = useJobEditorState(job);
  const catalogue = useCatalogue();
  const layout = catalogue.data?.choices
    .find((choice) => choice.name === "layout")
    ?.options.find((option) => option.value === job.layout);
  const { turn } = editor;
  const panel = usePanel();

  useEffect(() => {
    document.title = `${job.name || "Job"} · Lift Bite`;
  }, [job.name]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (typing || !(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      if (key === "z" || key === "y") {
        event.preventDefault();
        turn(key === "y" || event.shiftKey ? "redo" : "undo");
      }
    };
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [turn]);

  useKeys(job.id);

  return (
    <JobEditorContext value={editor}>
      <div className="flex h-full flex-col print:block print:h-auto">
        <TopBar>
          <nav
            aria-label="Order of work"
            className="order-1 -mx-2 flex basis-full justify-between tablet:order-none tablet:mx-0 tablet:basis-auto"
          >
            {STATIONS.map(({ to, label }) => (
              <NavLink
                key={to}
                to={to}
                className={({ isActive }) =>
                  `flex min-h-11 items-center border-b-4 px-[0.3rem] pt-1 font-semibold tablet:px-2.5 wide:px-4 ${
                    isActive ? "border-ink" : "border-transparent text-soft hover:text-ink"
                  }`
                }
              >
                {label}
              </NavLink>
            ))}
          </nav>
          <div className="order-2 flex items-center gap-2 tablet:order-none">
            <Turn way="undo" label="Undo" words={job.undo?.words} />
            <Turn way="redo" label="Redo" words={job.redo?.words} />
            <Link className="plain-link ml-2 hidden min-h-6 wide:inline" to={panel({ keys: "" })} replace>
              Keys
            </Link>
          </div>
        </TopBar>
        {editor.trouble && (
          <p role="alert" className="shrink-0 border-b border-ink bg-sheet px-4 py-2 font-semibold">
            <span aria-hidden="true">▲ </span>
            {editor.trouble}
          </p>
        )}
        <main className="min-h-0 grow print:overflow-visible">
          <Outlet />
        </main>
        <NextQuestion />
        <TitleBlock job={editor.shown} layoutLabel={layout?.label ?? ""} />
        <Panels />
        <ConflictDialog />
      </div>
    </JobEditorContext>
  );
}

function Turn({ way, label, words }: { way: "undo" | "redo"; label: string; words: string | undefined }) {
  const editor = useJobEditor();
  return (
    <button
      type="button"
      className="button"
      disabled={!words || editor.busy}
      title={words ? `${label}: ${words}` : `Nothing to ${way}`}
      onClick={() => editor.turn(way)}
    >
      {label}
    </button>
  );
}

/** Single keys, as the key map says. */
function useKeys(id: number) {
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const panel = usePanel();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const action = keysOn() ? actionOf(event) : null;
      if (!action) return;
      event.preventDefault();
      if ("go" in action)
        navigate(`/jobs/${id}/${action.go}${action.go.startsWith("choose/") ? triesOf(search) : ""}`);
      else if ("panel" in action) navigate(panel(action.panel), { replace: true });
      else if ("focus" in action) document.querySelector<HTMLElement>(action.focus)?.focus();
      else
        navigate(withSearch(search, { [action.toggle]: search.has(action.toggle) ? null : "" }), {
          replace: true,
        });
    };
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [id, navigate, panel, search]);
}
