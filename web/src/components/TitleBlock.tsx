import { Link } from "react-router";
import type { Job, Verdict } from "@/api/client";
import { QUESTION_LABELS, STATE_WORDS } from "@/lib/words";
import { Glyph } from "./Glyph";

/** The block along the foot of the sheet: what job this is, and the four answers, always in view. */
export function TitleBlock({ job, layoutLabel }: { job: Job; layoutLabel: string }) {
  return (
    <section
      aria-label="The four answers"
      className="grid shrink-0 grid-cols-6 border-t-2 border-ink bg-sheet bench:grid-cols-[minmax(9rem,14rem)_1fr_7.5rem_7.5rem_7.5rem] no-print"
    >
      <div className="col-span-6 flex flex-col justify-center gap-0.5 border-b border-ink px-4 py-2 tablet:col-span-2 tablet:border-r bench:col-span-1 bench:border-b-0">
        <p className="line-clamp-2 font-bold leading-tight">{job.name || "Job without a name"}</p>
        {job.vehicle && <p className="truncate text-note text-soft">{job.vehicle}</p>}
        <p className="truncate text-note text-soft">
          {layoutLabel} · revision <span className="figure">{job.revision}</span>
        </p>
      </div>
      {job.verdicts.map((verdict) => (
        <Answer key={verdict.question} job={job} verdict={verdict} />
      ))}
    </section>
  );
}

/** Where an answer leads: to what is missing, else to the working of its weakest link. */
function leadsTo(job: Job, verdict: Verdict): string {
  const missing = verdict.needs[0];
  if (missing) {
    const brief = /curve|peak|stage|use|driveline/.test(missing.name);
    return `/jobs/${job.id}/${brief ? "brief" : "choose"}`;
  }
  return `/jobs/${job.id}/choose?working=${verdict.links[0]?.name ?? "bite_margin"}`;
}

function Answer({ job, verdict }: { job: Job; verdict: Verdict }) {
  const label = QUESTION_LABELS[verdict.question];
  if (verdict.state === "later") {
    return (
      <div
        className="col-span-2 flex items-center gap-2 border-l border-hair px-3 py-1 text-soft bench:col-span-1"
        title={verdict.sentence}
      >
        <Glyph verdict={verdict} className="h-8 w-10 shrink-0" />
        <p className="leading-tight">
          <span className="lettering block">{label}</span>
          <span className="block text-note">not worked out yet</span>
        </p>
      </div>
    );
  }
  if (verdict.question !== "bite") {
    return (
      <div
        className="col-span-2 flex items-center gap-2 border-l border-hair px-3 py-1 bench:col-span-1"
        title={verdict.sentence}
        data-testid={`answer-${verdict.question}`}
      >
        <p className="leading-tight">
          <span className="lettering block">{label}</span>
          <span className="block text-head font-bold">{STATE_WORDS[verdict.state]}</span>
          {verdict.margin && (
            <span className="figure block text-note">{verdict.margin.low.metric.figure}</span>
          )}
        </p>
      </div>
    );
  }
  const margin = verdict.margin;
  return (
    <Link
      to={leadsTo(job, verdict)}
      data-testid={`answer-${verdict.question}`}
      data-state={verdict.state}
      className="group col-span-6 flex items-center gap-4 border-b border-ink px-4 py-2 hover:bg-paper tablet:col-span-4 bench:col-span-1 bench:border-b-0"
    >
      <Glyph verdict={verdict} className="h-14 w-[4.7rem] shrink-0" />
      <div className="shrink-0">
        <p className="lettering">{label}</p>
        <p className="text-state font-bold" data-testid="bite-state">
          {STATE_WORDS[verdict.state]}
        </p>
        {margin && (
          <p className="figure text-body" data-testid="bite-margin">
            <span className="font-bold">{margin.low.metric.figure}</span>
            <span className="text-soft"> to {margin.high.metric.figure}</span>
            {verdict.target && (
              <span className="block text-note">of {verdict.target.metric.figure} asked</span>
            )}
          </p>
        )}
      </div>
      <p className="text-note leading-snug group-hover:underline" data-testid="bite-sentence">
        {verdict.sentence}
      </p>
    </Link>
  );
}
