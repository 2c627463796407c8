import { type DragEvent, useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { type Becomes, importJob, type Job, type JobLine, Refusal } from "@/api/client";
import { useArchive, useCatalogue, useCopyJob, useJobs, useKeepJob } from "@/api/queries";
import { FileButton } from "@/components/FileButton";
import { Glyph } from "@/components/Glyph";
import { More } from "@/components/More";
import { Refused } from "@/components/Refused";
import { TopBar } from "@/components/TopBar";
import { useAddress } from "@/lib/address";
import { first } from "@/lib/units";
import { moment, QUESTION_LABELS, STATE_WORDS } from "@/lib/words";
import { NewJob } from "./NewJob";

/** The jobs of the shop. */
export function Jobs() {
  const [search, put] = useAddress();
  const archived = search.has("archived");
  const find = search.get("find") ?? "";
  const [question = "", state = ""] = (search.get("answer") ?? "").split(":");
  const sort = SORTS.find(({ name }) => name === search.get("sort"))?.name ?? "newest";
  const jobs = useJobs({ archived, find, question, state, sort });
  const [away, setAway] = useState<JobLine | null>(null);
  const lines = jobs.data?.pages.flatMap((page) => page.jobs) ?? [];
  const [newest] = jobs.data?.pages ?? [];
  const [run, setRun] = useState<File | null>(null);
  const [dropped, setDropped] = useState<File | null>(null);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (!file) return;
    if (/\.json$/i.test(file.name)) setDropped(file);
    else setRun(file);
  };
  useEffect(() => {
    document.title = "Jobs · Lift Bite";
  }, []);
  return (
    <div className="flex min-h-full flex-col">
      <TopBar />
      <main
        onDragOver={(event) => event.preventDefault()}
        onDrop={drop}
        className="mx-auto grid w-full max-w-[80rem] grow content-start gap-8 px-5 py-6 wide:grid-cols-[1fr_24rem]"
      >
        <section aria-labelledby="jobs">
          <div className="flex flex-wrap items-baseline justify-between gap-3 border-b-2 border-ink pb-2">
            <h1 id="jobs" className="text-big font-bold">
              {archived ? "Archive" : "Jobs"}
            </h1>
            <input
              type="search"
              aria-label="Search the jobs"
              placeholder="Name or vehicle"
              value={find}
              onChange={(event) => put({ find: event.target.value || null })}
              className="h-11 w-56 rounded-cut border border-line bg-sheet px-2"
            />
            <Narrow answer={question && `${question}:${state}`} sort={sort} onPick={put} />
            {newest && (archived || newest.archived > 0) && (
              <button
                type="button"
                className="plain-link min-h-9"
                onClick={() => put({ archived: archived ? null : "" })}
              >
                {archived ? "Back to the jobs at hand" : `${newest.archived} archived`}
              </button>
            )}
          </div>
          {jobs.error && (
            <p role="alert" className="py-4">
              ▲ {jobs.error.message}
            </p>
          )}
          {newest?.count === 0 && (
            <p className="py-6">
              {(find || state) && newest.waits
                ? "Some jobs are still being worked out …"
                : state
                  ? "No job here has that answer."
                  : find
                    ? `Nothing here has “${find}” in its name, vehicle or layout.`
                    : archived
                      ? "Nothing is archived."
                      : "No job yet: begin one, or bring a job file."}
            </p>
          )}
          {away && <Away job={away} onDone={() => setAway(null)} />}
          <ul>
            {lines.map((job) => (
              <Line key={job.id} job={job} archived={archived} onAway={setAway} />
            ))}
          </ul>
          {newest && <More list={jobs} shown={lines.length} count={newest.count} />}
        </section>
        <aside>
          <NewJob run={run} onRun={setRun} />
          <BringJob dropped={dropped} />
          <p className="mt-6">
            <Link className="plain-link inline-flex min-h-11 items-center font-semibold" to="/backups">
              Backups of this shop
            </Link>
          </p>
          <p className="mt-2 border-t border-ink pt-3 text-note text-soft">
            Lift Bite is a calculator and a logbook, not a certificate. The vehicle's manual, the law where
            you work and a qualified technician come before anything it says. A clutch or flywheel that lets
            go can injure or kill.
          </p>
        </aside>
      </main>
    </div>
  );
}

const SORTS = [
  { name: "newest", label: "Newest first" },
  { name: "changed", label: "Changed last first" },
  { name: "name", label: "By name" },
  { name: "gravest", label: "What gives way first" },
] as const;

type NarrowProps = { answer: string; sort: string; onPick: (now: Record<string, string | null>) => void };

/** Which answers the list is narrowed to, and its order. */
function Narrow({ answer, sort, onPick }: NarrowProps) {
  const answers = useCatalogue().data?.answers ?? {};
  const look = "h-11 rounded-cut border border-line bg-sheet px-2";
  return (
    <>
      <select
        aria-label="Answers shown"
        className={look}
        value={answer}
        onChange={(event) => onPick({ answer: event.target.value || null })}
      >
        <option value="">Any answer</option>
        {Object.entries(answers).map(([question, states]) => (
          <optgroup key={question} label={QUESTION_LABELS[question as keyof typeof QUESTION_LABELS]}>
            {states.map((state) => (
              <option key={state} value={`${question}:${state}`}>
                {QUESTION_LABELS[question as keyof typeof QUESTION_LABELS]} {state}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
      <select
        aria-label="Order of the list"
        className={look}
        value={sort}
        onChange={(event) => onPick({ sort: event.target.value === "newest" ? null : event.target.value })}
      >
        {SORTS.map(({ name, label }) => (
          <option key={name} value={name}>
            {label}
          </option>
        ))}
      </select>
    </>
  );
}

/** A job that was just put away, and the way back. */
function Away({ job, onDone }: { job: JobLine; onDone: () => void }) {
  const put = useArchive();
  return (
    <p role="status" className="flex flex-wrap items-center gap-x-4 border-b border-hair bg-sheet px-3 py-2">
      <span>“{job.name || "Job without a name"}” is in the archive.</span>
      <button
        type="button"
        className="button min-h-11"
        onClick={() => put.mutate({ id: job.id, change: job.change, archived: false }, { onSuccess: onDone })}
      >
        Undo
      </button>
      {put.error && <span className="font-semibold">▲ {put.error.message}</span>}
    </p>
  );
}

type LineProps = { job: JobLine; archived: boolean; onAway: (job: JobLine | null) => void };

function Line({ job, archived, onAway }: LineProps) {
  const put = useArchive();
  const copy = useCopyJob();
  const navigate = useNavigate();
  return (
    <li className="border-b border-hair">
      <div className="flex items-stretch">
        {job.unreadable ? <Unreadable job={job} /> : <Opens job={job} />}
        {!job.unreadable && (
          <button
            type="button"
            className="plain-link px-3 text-note text-soft"
            aria-label={`Copy: ${job.name}`}
            onClick={() => copy.mutate(job.id, { onSuccess: (made) => navigate(`/jobs/${made.id}/brief`) })}
          >
            Copy
          </button>
        )}
        <button
          type="button"
          className="plain-link px-3 text-note text-soft"
          aria-label={`${archived ? "Bring back" : "Archive"}: ${job.name}`}
          onClick={() =>
            put.mutate(
              { id: job.id, change: job.change, archived: !archived },
              { onSuccess: ({ change }) => onAway(archived ? null : { ...job, change }) },
            )
          }
        >
          {archived ? "Bring back" : "Archive"}
        </button>
      </div>
      {(put.error ?? copy.error) && (
        <p role="alert" className="pb-2 font-semibold">
          ▲ {(put.error ?? copy.error)?.message}
        </p>
      )}
    </li>
  );
}

/** A job whose rows cannot be read: what there is to save of it. */
function Unreadable({ job }: { job: JobLine }) {
  return (
    <div className="grow px-1 py-3" data-testid="unreadable">
      <p className="text-head font-bold">▲ {job.name} cannot be read</p>
      <p className="text-note text-soft">{job.unreadable}</p>
      <p>
        Nothing of it is lost.{" "}
        <a className="plain-link font-semibold" href={`/api/jobs/${job.id}/raw`} download>
          Save its rows
        </a>
        , or see the{" "}
        <Link className="plain-link" to="/backups">
          backups
        </Link>
        .
      </p>
    </div>
  );
}

function Opens({ job }: { job: JobLine }) {
  return (
    <Link
      to={`/jobs/${job.id}/${job.verdict.state === "open" ? "brief" : "choose"}`}
      className="group grid min-w-0 grow grid-cols-[auto_1fr] items-center gap-x-4 gap-y-1 px-1 tablet:grid-cols-[5rem_8rem_1fr] py-3 hover:bg-sheet"
    >
      <Glyph verdict={job.verdict} className="h-12 w-16" />
      <p>
        <span className="lettering block text-soft">Bite</span>
        <span className="block text-head font-bold">{STATE_WORDS[job.verdict.state]}</span>
        {job.verdict.deciding?.figure && job.verdict.deciding.limit && (
          <span className="figure block text-note">
            {first(job.verdict.deciding.figure).figure} {first(job.verdict.deciding.figure).unit} of{" "}
            {first(job.verdict.deciding.limit).figure}
          </span>
        )}
      </p>
      <p className="max-tablet:col-span-2">
        <span className="block text-head font-bold group-hover:underline">
          {job.name || "Job without a name"}
        </span>
        <span className="block text-soft">{job.vehicle}</span>
        {(job.others ?? []).length > 0 && (
          <span className="block text-note" data-testid="other-answers">
            {(job.others ?? [])
              .map(({ question, state }) => `${QUESTION_LABELS[question]} ${STATE_WORDS[state]}`)
              .join(" · ")}
          </span>
        )}
        <span className="block text-note text-soft">
          {job.waits && "Being worked out anew · "}
          {job.layout_label}
          {job.changed_at && ` · changed ${moment(job.changed_at)}`}
        </span>
      </p>
    </Link>
  );
}

function BringJob({ dropped }: { dropped: File | null }) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const navigate = useNavigate();
  const keep = useKeepJob();
  const [there, setThere] = useState<{ file: File; job: Job } | null>(null);
  const [asked, setAsked] = useState<{ file: File; job: number; ahead: boolean; says: string } | null>(null);
  const bring = async (file: File, becomes: Becomes = null) => {
    setTrouble(null);
    setThere(null);
    setAsked(null);
    try {
      const { job, isNew } = await importJob(file, becomes);
      keep(job);
      if (isNew) navigate(`/jobs/${job.id}/choose`);
      else setThere({ file, job });
    } catch (error) {
      if (error instanceof Refusal && error.status === 409) {
        const { job, how } = error.stands as { job: number; how: string };
        setAsked({ file, job, ahead: how === "ahead", says: error.message });
        return;
      }
      setTrouble(error instanceof Refusal ? `${file.name}: ${error.message}` : "The file could not be read.");
    }
  };
  const brings = useRef(bring);
  brings.current = bring;
  useEffect(() => {
    if (dropped) void brings.current(dropped);
  }, [dropped]);
  return (
    <section className="mt-8" aria-labelledby="bring">
      <h2 id="bring" className="border-b border-ink pb-1 text-head font-bold">
        Bring a job file
      </h2>
      <p className="py-2 text-soft">
        A file ending in .liftbite.json becomes a job with all its history and readings.
      </p>
      <FileButton name="Job file" accept=".json,application/json" onFile={(file) => void bring(file)}>
        Choose a file
      </FileButton>
      {there && (
        <div role="status" className="mt-2 border-l-4 border-now pl-3">
          <p>
            This job is here already, as{" "}
            <Link className="plain-link font-semibold" to={`/jobs/${there.job.id}/choose`}>
              {there.job.name || "a job without a name"}
            </Link>
            .
          </p>
          <button
            type="button"
            className="button mt-1 min-h-11"
            onClick={() => void bring(there.file, "again")}
          >
            Bring it a second time
          </button>
        </div>
      )}
      {asked && (
        <div role="status" className="mt-2 border-l-4 border-now pl-3" data-testid="changed-job">
          <p>
            <Link className="plain-link font-semibold" to={`/jobs/${asked.job}/record`}>
              The job here
            </Link>{" "}
            says something else. {asked.says}
          </p>
          <p className="mt-1 flex flex-wrap gap-3">
            {asked.ahead && (
              <button
                type="button"
                className="button min-h-11"
                onClick={() => void bring(asked.file, "update")}
              >
                Bring the job here up to date
              </button>
            )}
            <button type="button" className="button min-h-11" onClick={() => void bring(asked.file, "again")}>
              Bring it as a second job
            </button>
            <button type="button" className="button min-h-11" onClick={() => setAsked(null)}>
              Leave the job here
            </button>
          </p>
        </div>
      )}
      <Refused why={trouble} className="mt-2" />
    </section>
  );
}
