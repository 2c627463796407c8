import { useState } from "react";
import { Link } from "react-router";
import type { Against } from "@/api/client";
import { useAgainst, useJobs, useSettleBuild } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Scroll } from "@/components/Scroll";
import { BUILD, useAddress, usePanel, withSearch } from "@/lib/address";
import { RESULTS_COLUMN } from "@/lib/columns";
import { useJobEditor } from "@/lib/useJobEditor";
import { QUESTION_LABELS, STATE_WORDS } from "@/lib/words";

type Build = Against["builds"][number];

/** The builds of a job against what was found: every answer and what a driver feels, in figures and in words. */
export function AgainstView() {
  const editor = useJobEditor();
  const [search, put] = useAddress();
  const others = (search.get("beside") ?? "").split(",").map(Number).filter(Boolean);
  const found = useAgainst(editor.entered.id, editor.entered.revision, editor.looked, others);
  return (
    <Scroll label="Builds" className={RESULTS_COLUMN}>
      <h1 className="border-b border-ink pb-1 text-head font-bold">Against what was found</h1>
      {found.error && !found.data ? <p>▲ {found.error.message}</p> : null}
      {found.data && (
        <div data-testid="against">
          <InWords builds={found.data.builds.slice(1)} />
          <Begin builds={found.data.builds} />
          <BesideJobs
            id={editor.entered.id}
            others={others}
            onOthers={(now) => put({ beside: now.join(",") || null })}
          />
          <Answers found={found.data} />
          <Changes found={found.data} />
        </div>
      )}
    </Scroll>
  );
}

/** What a driver would notice of each build; an alternative can be made the plan, or dropped. */
function InWords({ builds }: { builds: Build[] }) {
  const { entered } = useJobEditor();
  const settle = useSettleBuild(entered.id);
  const [search, put] = useAddress();
  const end = (build: string, becomes: "plan" | "nothing") =>
    settle.mutate({ build, becomes }, { onSuccess: () => put({ [BUILD]: null }) });
  return (
    <>
      {builds.map((build) => (
        <section key={build.name} data-build={build.name} className="border-b border-hair py-2">
          <h2 className="lettering">{build.label}</h2>
          <p className="max-w-prose text-field font-semibold">
            {build.says.length > 0
              ? `${build.says.join(", ")}.`.replace(/^./, (first) => first.toUpperCase())
              : "Nothing a driver would feel differs."}
          </p>
          <p className="max-w-prose text-soft">
            {build.parts.length > 0
              ? `${build.parts.map((part) => `${part.name}: ${part.label.toLowerCase()}`).join("; ")}. The rest stays.`
              : "Every part stays."}
          </p>
          {build.name !== "planned" && !build.other && (
            <p className="flex flex-wrap gap-x-4">
              <Link className="plain-link min-h-6" to={withSearch(search, { [BUILD]: build.name })} replace>
                Work on it
              </Link>
              <button type="button" className="plain-link min-h-6" onClick={() => end(build.name, "plan")}>
                Make it the plan
              </button>
              <button type="button" className="plain-link min-h-6" onClick={() => end(build.name, "nothing")}>
                Drop it
              </button>
            </p>
          )}
        </section>
      ))}
      {settle.error && <p role="alert">▲ {settle.error.message}</p>}
    </>
  );
}

type Beside = { id: number; others: number[]; onOthers: (now: number[]) => void };

/** The plans of other jobs, to stand beside this one's. */
function BesideJobs({ id, others, onOthers }: Beside) {
  const jobs = useJobs({ archived: false, find: "", sort: "changed" });
  const lines = (jobs.data?.pages.flatMap((page) => page.jobs) ?? []).filter((job) => job.id !== id);
  const there = lines.filter((job) => others.includes(job.id));
  if (lines.length === 0) return null;
  return (
    <p className="flex flex-wrap items-center gap-x-4 gap-y-1 pb-3">
      {others.length < 3 && (
        <select
          aria-label="Another job beside these"
          className="h-11 max-w-xs rounded-cut border border-line bg-sheet px-2"
          value=""
          onChange={(event) => onOthers([...others, Number(event.target.value)])}
        >
          <option value="">Another job beside these …</option>
          {lines
            .filter((job) => !others.includes(job.id))
            .map((job) => (
              <option key={job.id} value={job.id}>
                {job.name || `Job ${job.id}`}
              </option>
            ))}
        </select>
      )}
      {there.map((job) => (
        <button
          key={job.id}
          type="button"
          className="plain-link min-h-9"
          onClick={() => onOthers(others.filter((other) => other !== job.id))}
        >
          Take away {job.name || `job ${job.id}`}
        </button>
      ))}
    </p>
  );
}

/** Begins an alternative: a name, and from then on what is entered is of it alone. */
function Begin({ builds }: { builds: Build[] }) {
  const [name, setName] = useState("");
  const [search, put] = useAddress();
  const said = name.trim().replace(/\s+/g, " ");
  const taken = builds.some((build) => build.name.toLowerCase() === said.toLowerCase());
  return (
    <form
      className="flex flex-wrap items-end gap-x-3 gap-y-1 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (said && !taken) put({ [BUILD]: said });
      }}
    >
      <label className="grow">
        <span className="text-note text-soft">Another way to build it, by a name of its own</span>
        <input
          value={name}
          onChange={(event) => setName(event.target.value)}
          maxLength={40}
          placeholder="sintered twin"
          className="mt-0.5 block h-9 w-full max-w-xs rounded-cut border border-line bg-sheet px-2 placeholder:text-soft placeholder:italic"
        />
      </label>
      <button type="submit" className="button" disabled={!said || taken}>
        Begin an alternative
      </button>
      {search.get(BUILD) !== "found" && (
        <Link
          className="plain-link min-h-9 content-center"
          to={withSearch(search, { [BUILD]: "found" })}
          replace
        >
          Enter what was found
        </Link>
      )}
      {taken && (
        <p role="alert" className="basis-full text-note">
          There is a build of that name.
        </p>
      )}
    </form>
  );
}

function Answers({ found }: { found: Against }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full">
        <Heads first="Answer" builds={found.builds} />
        <tbody>
          {found.answers.map(({ question, states, sentences }) => (
            <tr key={question} className="border-b border-hair align-baseline">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {QUESTION_LABELS[question]}
              </th>
              {found.builds.map(({ name }) => {
                const state = states[name];
                return (
                  <td key={name} className={`py-1 pr-3 ${name === "found" ? "text-soft" : "font-bold"}`}>
                    {state ? (STATE_WORDS[state] ?? state) : ""}
                    {name === "planned" && (
                      <span className="block text-note font-normal text-soft">{sentences[name]}</span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Changes({ found }: { found: Against }) {
  return (
    <div className="mt-5 overflow-x-auto">
      <table className="w-full">
        <Heads first="Figure" builds={found.builds} />
        <tbody>
          {found.changes.map(({ name, label, values, same }) => (
            <tr key={name} className="border-b border-hair align-baseline" data-change={name}>
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                <Named name={name} label={label} />
                {same && <span className="text-note text-soft"> stays</span>}
              </th>
              {found.builds.map(({ name: build }) => {
                const value = values[build];
                return (
                  <td
                    key={build}
                    className={`py-1 pr-3 ${build === "found" || same ? "text-soft" : "font-bold"}`}
                  >
                    {value ? <Figure value={value} /> : "open"}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What a figure is called; it opens the working of the build worked on, where there is one. */
function Named({ name, label }: { name: string; label: string }) {
  const panel = usePanel();
  const { shown } = useJobEditor();
  if (!shown.results.some((result) => result.name === name)) return label;
  return (
    <Link className="plain-link" to={panel({ working: name, stage: "planned" })} replace>
      {label}
    </Link>
  );
}

const Heads = ({ first, builds }: { first: string; builds: Build[] }) => (
  <thead>
    <tr className="border-b border-ink text-left text-note text-soft">
      <th className="py-1 pr-3 font-normal">{first}</th>
      {builds.map(({ name, label }) => (
        <th key={name} className="py-1 pr-3 font-normal">
          {label.toLowerCase() === "as found" || name === "planned" ? label.toLowerCase() : label}
        </th>
      ))}
    </tr>
  </thead>
);
