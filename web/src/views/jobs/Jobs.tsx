import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { importJob, type JobLine, Refusal } from "@/api/client";
import { useArchive, useJobs, useKeepJob } from "@/api/queries";
import { FileButton } from "@/components/FileButton";
import { Glyph } from "@/components/Glyph";
import { TopBar } from "@/components/TopBar";
import { useAddress } from "@/lib/address";
import { moment, STATE_WORDS } from "@/lib/words";
import { NewJob } from "./NewJob";

/** The jobs of the shop. */
export function Jobs() {
  const [search, put] = useAddress();
  const archived = search.has("archived");
  const jobs = useJobs(archived);
  useEffect(() => {
    document.title = "Jobs · Lift Bite";
  }, []);
  return (
    <div className="flex min-h-full flex-col">
      <TopBar />
      <main className="mx-auto grid w-full max-w-[80rem] grow content-start gap-8 px-5 py-6 wide:grid-cols-[1fr_24rem]">
        <section aria-labelledby="jobs">
          <div className="flex flex-wrap items-baseline justify-between gap-3 border-b-2 border-ink pb-2">
            <h1 id="jobs" className="text-big font-bold">
              {archived ? "Archive" : "Jobs"}
            </h1>
            {jobs.data && (archived || jobs.data.archived > 0) && (
              <button
                type="button"
                className="plain-link min-h-9"
                onClick={() => put({ archived: archived ? null : "" })}
              >
                {archived ? "Back to the jobs at hand" : `${jobs.data.archived} archived`}
              </button>
            )}
          </div>
          {jobs.error && (
            <p role="alert" className="py-4">
              ▲ {jobs.error.message}
            </p>
          )}
          {jobs.data?.jobs.length === 0 && (
            <p className="py-6">
              {archived ? "Nothing is archived." : "No job yet: begin one, or bring a job file."}
            </p>
          )}
          <ul>
            {jobs.data?.jobs.map((job) => (
              <Line key={job.id} job={job} archived={archived} />
            ))}
          </ul>
        </section>
        <aside>
          <NewJob />
          <BringJob />
          <p className="mt-6 border-t border-ink pt-3 text-note text-soft">
            Lift Bite is a calculator and a logbook, not a certificate. The vehicle's manual, the law where
            you work and a qualified technician come before anything it says. A clutch or flywheel that lets
            go can injure or kill.
          </p>
        </aside>
      </main>
    </div>
  );
}

function Line({ job, archived }: { job: JobLine; archived: boolean }) {
  const put = useArchive();
  return (
    <li className="flex items-stretch border-b border-hair">
      <Link
        to={`/jobs/${job.id}/${job.verdict.state === "open" ? "brief" : "choose"}`}
        className="group grid min-w-0 grow grid-cols-[auto_1fr] items-center gap-x-4 gap-y-1 px-1 tablet:grid-cols-[5rem_8rem_1fr] py-3 hover:bg-sheet"
      >
        <Glyph verdict={job.verdict} className="h-12 w-16" />
        <p>
          <span className="lettering block text-soft">Bite</span>
          <span className="block text-head font-bold">{STATE_WORDS[job.verdict.state]}</span>
          {job.verdict.margin && (
            <span className="figure block text-note">
              {job.verdict.margin.low.metric.figure} of {job.verdict.target?.metric.figure}
            </span>
          )}
        </p>
        <p className="max-tablet:col-span-2">
          <span className="block text-head font-bold group-hover:underline">
            {job.name || "Job without a name"}
          </span>
          <span className="block text-soft">{job.vehicle}</span>
          <span className="block text-note text-soft">
            {job.layout_label} · changed {moment(job.changed_at)}
          </span>
        </p>
      </Link>
      <button
        type="button"
        className="plain-link px-3 text-note text-soft"
        aria-label={`${archived ? "Bring back" : "Archive"}: ${job.name}`}
        onClick={() => put.mutate({ id: job.id, change: job.change, archived: !archived })}
      >
        {archived ? "Bring back" : "Archive"}
      </button>
    </li>
  );
}

function BringJob() {
  const [trouble, setTrouble] = useState<string | null>(null);
  const navigate = useNavigate();
  const keep = useKeepJob();
  const bring = async (file: File) => {
    setTrouble(null);
    try {
      const job = await importJob(file);
      keep(job);
      navigate(`/jobs/${job.id}/choose`);
    } catch (error) {
      setTrouble(error instanceof Refusal ? `${file.name}: ${error.message}` : "The file could not be read.");
    }
  };
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
      {trouble && (
        <p role="alert" className="mt-2 font-semibold">
          ▲ {trouble}
        </p>
      )}
    </section>
  );
}
