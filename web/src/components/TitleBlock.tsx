import { Link, useSearchParams } from "react-router";
import type { Job, Verdict } from "@/api/client";
import { triesOf, withSearch } from "@/lib/address";
import { first } from "@/lib/units";
import { QUESTION_LABELS, STATE_WORDS } from "@/lib/words";
import { Glyph } from "./Glyph";

/** The block along the foot of the sheet: what job this is, and the four answers, always in view. */
export function TitleBlock({ job, layoutLabel }: { job: Job; layoutLabel: string }) {
  return (
    <section
      aria-label="The four answers"
      className="grid shrink-0 grid-cols-4 border-t-2 border-ink bg-sheet tablet:grid-cols-6 wide:grid-cols-[minmax(9rem,13rem)_1fr_11rem_11rem_11rem] no-print"
    >
      <div className="hidden flex-col justify-center gap-0.5 border-b border-ink px-4 py-2 tablet:col-span-2 tablet:flex tablet:border-r wide:col-span-1 wide:border-b-0">
        <p className="line-clamp-2 font-bold leading-tight">{job.name || "Job without a name"}</p>
        {job.vehicle && <p className="truncate text-note text-soft">{job.vehicle}</p>}
        <p className="truncate text-note text-soft">
          {job.build && <b className="text-ink">{buildOf(job)} · </b>}
          {layoutLabel} · revision <span className="figure">{job.revision}</span>
        </p>
      </div>
      {job.verdicts.map((verdict) => (
        <Answer key={verdict.question} job={job} verdict={verdict} />
      ))}
    </section>
  );
}

/** What the build that is looked at is called. */
export const buildOf = (job: Job) => job.builds.find((build) => build.name === job.build)?.label ?? job.build;

const VIEW_OF = { bite: "bite", lift: "section", heat: "start", true: "flywheel" } as const;

/** Where an answer leads: to what is missing, else to its view with the working of its weakest link. */
export function leadsTo(job: number, verdict: Verdict, tries = ""): string {
  const view = `/jobs/${job}/choose/${VIEW_OF[verdict.question]}`;
  const missing = verdict.needs[0];
  if (missing)
    return /curve|peak|stage|use|driveline/.test(missing.name) ? `/jobs/${job}/brief` : view + tries;
  const { working, friction } = verdict.deciding ?? {};
  const opens = working ? { working, friction: friction ? String(friction) : null } : { working: null };
  return view + withSearch(new URLSearchParams(tries), opens);
}

/** The figure that decides an answer beside its limit; for Bite at its headline the band as well. */
export function Decides({ verdict }: { verdict: Verdict }) {
  const link = verdict.deciding;
  if (!link?.figure || !link.limit) return null;
  const { figure, limit } = link;
  const band = link.key === "torque_reserve" ? verdict.margin : null;
  return (
    <p className="text-note leading-tight" data-testid={`${verdict.question}-deciding`}>
      {link.grade !== "good" && verdict.question !== "bite" && (
        <span className="line-clamp-1 max-w-[8.5rem] max-tablet:hidden">{link.label}</span>
      )}
      <span className="figure whitespace-nowrap font-bold">
        {first(figure).figure} {first(figure).unit}
      </span>
      <span className={`figure whitespace-nowrap max-tablet:hidden ${link.most ? "block" : ""}`}>
        {link.most ? `at most ${first(limit).figure} ${first(limit).unit}` : ` of ${first(limit).figure}`}
      </span>
      {band && !band.single && (
        <span className="figure block whitespace-nowrap text-soft max-tablet:hidden">
          {first(band.low).figure} to {first(band.high).figure}
        </span>
      )}
    </p>
  );
}

function Answer({ job, verdict }: { job: Job; verdict: Verdict }) {
  const label = QUESTION_LABELS[verdict.question];
  const bite = verdict.question === "bite";
  const [search] = useSearchParams();
  return (
    <Link
      to={leadsTo(job.id, verdict, triesOf(search))}
      data-testid={`answer-${verdict.question}`}
      data-state={verdict.state}
      title={verdict.sentence}
      className={`group flex flex-col items-start gap-x-2.5 gap-y-0.5 border-ink px-2 py-1.5 hover:bg-paper tablet:flex-row tablet:items-center tablet:border-b tablet:px-3 tablet:py-2 wide:border-b-0 ${
        bite
          ? "tablet:col-span-4 wide:col-span-1"
          : "border-l border-l-hair tablet:col-span-2 wide:col-span-1"
      }`}
    >
      <Glyph
        verdict={verdict}
        className={`hidden shrink-0 tablet:block ${bite ? "h-14 w-[4.7rem]" : "h-9 w-12"}`}
      />
      <div className={bite ? "shrink-0" : "min-w-0"}>
        <p className="lettering">{label}</p>
        <p
          className={`font-bold leading-tight ${bite ? "text-body tablet:text-state" : "text-body tablet:text-head"}`}
          data-testid={bite ? "bite-state" : undefined}
        >
          {STATE_WORDS[verdict.state]}
        </p>
        <Decides verdict={verdict} />
        {!verdict.deciding && verdict.needs.length > 0 && !bite && (
          <p className="hidden text-note text-soft tablet:block">needs {verdict.needs.length} more</p>
        )}
      </div>
      {bite && (
        <p
          className="hidden text-note leading-snug group-hover:underline tablet:line-clamp-4"
          data-testid="bite-sentence"
        >
          {verdict.sentence}
        </p>
      )}
    </Link>
  );
}
