import { type ReactNode, useState } from "react";
import type { Plan } from "@/api/client";
import { type SayPlan, useFromPaper, usePlan, usePlanFile, useSayOfPlan } from "@/api/fit";
import { FileButton } from "@/components/FileButton";
import { LeftOut } from "@/components/LeftOut";
import { Photos } from "@/components/Photos";
import { SaveLink } from "@/components/SaveLink";
import { Scroll } from "@/components/Scroll";
import { useAddress } from "@/lib/address";
import { useJobEditor } from "@/lib/useJobEditor";
import { Person } from "@/views/measure/Person";
import { AddStep } from "./AddStep";
import { Answers } from "./Answers";
import { Bags } from "./Bags";
import { BoltMap } from "./BoltMap";
import { FromPaper } from "./FromPaper";
import { StepCard } from "./StepCard";
import { StepLine } from "./StepLine";

/** Fit: the order of work as one line, the step to do now in large type. */
export function FitView() {
  const { entered: job } = useJobEditor();
  const plan = usePlan(job.id, job.change);
  const say = useSayOfPlan(job.id);
  const fromPaper = useFromPaper(job.id);
  const inOneGo = (keys: string[]) =>
    fromPaper({
      lines: keys.map((key) => ({ kind: "step", key, said: { answer: "done" }, who: "", request: "" })),
      who: "",
    });
  const [search, put] = useAddress();
  if (plan.error && !plan.data) return <p className="p-5">▲ {plan.error.message}</p>;
  if (!plan.data) return <p className="p-5">Laying out the work …</p>;
  const picked = plan.data.steps.find(({ key }) => key === search.get("step"));
  const now = picked ?? plan.data.steps.find(({ key }) => key === plan.data.next) ?? null;
  const open = plan.data.steps.filter(({ state, key }) => state === "open" && key !== now?.key);
  return (
    <div className="grid h-full min-h-0 content-start overflow-y-auto tablet:content-stretch tablet:overflow-hidden tablet:grid-rows-[minmax(0,1fr)] tablet:grid-cols-[minmax(17rem,24rem)_1fr]">
      <Scroll
        label="The order of work"
        className="order-2 px-3 py-3 tablet:order-none tablet:overflow-y-auto tablet:border-r tablet:border-ink"
      >
        <LeftOut sentences={plan.data.left_out} />
        <Progress plan={plan.data} />
        <StepLine
          plan={plan.data}
          now={now?.key ?? ""}
          say={(keys) => inOneGo(keys)}
          onStep={(key) => put({ step: key })}
        />
        <Gone plan={plan.data} say={say} />
        <AddStep plan={plan.data} say={say} />
      </Scroll>
      <Scroll label="The step at hand" className="order-1 px-4 py-3 tablet:order-none tablet:overflow-y-auto">
        <div className="flex flex-wrap items-center justify-between gap-3">
          <h1 className="text-head font-bold">
            {picked && picked.key !== plan.data.next ? "A step" : "Now"}
          </h1>
          <Person people={[]} />
        </div>
        {now ? (
          <>
            <StepCard
              key={now.key}
              plan={plan.data}
              step={now}
              say={say}
              onDone={() => put({ step: null })}
              onStep={(key) => put({ step: key })}
            />
            <Photos job={job.id} of={`step:${now.key}`} />
          </>
        ) : (
          <p className="py-4 text-state font-bold">
            {plan.data.done === plan.data.steps.length
              ? "All of it is done."
              : "Every open step waits for parts."}
          </p>
        )}
        {open.length > 0 && (
          <section className="mt-4" aria-labelledby="open-too">
            <h2 id="open-too" className="lettering border-b border-ink pb-0.5">
              Can be done meanwhile
            </h2>
            <div className="grid gap-x-6 wide:grid-cols-2">
              {open.slice(0, 6).map((step) => (
                <button
                  key={step.key}
                  type="button"
                  onClick={() => put({ step: step.key })}
                  className="block min-h-11 w-full border-b border-hair py-1 text-left hover:bg-sheet"
                >
                  {step.title}
                </button>
              ))}
            </div>
          </section>
        )}
        <Vanished plan={plan.data} />
        <div className="mt-3 flex flex-wrap gap-x-6 border-t border-ink pt-1">
          <Bags job={job.id} plan={plan.data} say={say} />
          <BoltMap plan={plan.data} say={say} />
          <FromPaper plan={plan.data} />
          <Answers plan={plan.data} say={say} />
          <Files>
            <SaveLink address={`/api/jobs/${job.id}/plan.pdf`}>Steps on paper (PDF)</SaveLink>
            <SaveLink address={`/api/jobs/${job.id}/card.pdf`}>Flywheel bolt card at 1:1 (PDF)</SaveLink>
            <a className="button min-h-11" href={`/api/jobs/${job.id}/plan/file`} download>
              This plan as a file
            </a>
            <TakePlan job={job.id} />
          </Files>
        </div>
      </Scroll>
    </div>
  );
}

/** The plan as paper and as a file, out of the way of the step at hand. */
function Files({ children }: { children: ReactNode }) {
  return (
    <details className="open:basis-full">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        Paper and files …
      </summary>
      <p className="flex flex-wrap gap-3 py-2">{children}</p>
    </details>
  );
}

/** Takes another plan's answers, own steps and instructions into this one. */
function TakePlan({ job }: { job: number }) {
  const take = usePlanFile(job);
  const [told, setTold] = useState("");
  return (
    <>
      <FileButton
        name="Plan file"
        accept=".json,application/json"
        className="button min-h-11"
        onFile={(file) =>
          void file
            .text()
            .then(take)
            .then((refused) => setTold(refused ? `▲ ${file.name}: ${refused}` : `${file.name} is taken in.`))
        }
      >
        Take a plan file in
      </FileButton>
      {told && (
        <span role="status" className="self-center font-semibold">
          {told}
        </span>
      )}
    </>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function Progress({ plan }: { plan: Plan }) {
  const hours = plan.minutes / 60;
  return (
    <p className="pb-2 text-note" data-testid="plan-progress">
      <b className="figure text-field">
        {plan.done} of {plan.steps.length}
      </b>{" "}
      done; about {hours >= 1 ? `${hours.toFixed(1)} h` : `${plan.minutes} min`} left (rough figures).
      <span className="block">
        {capital(plan.opening)}
        {plan.opens_for.length > 0 && `: ${plan.opens_for.join("; ")}`}.
      </span>
      {plan.awaited.length > 0 && (
        <span className="block">On their way: {plan.awaited.map(({ label }) => label).join(", ")}.</span>
      )}
      {plan.to_get.length > 0 && (
        <span className="block">Not in yet: {plan.to_get.map(({ label }) => label).join(", ")}.</span>
      )}
    </p>
  );
}

/** What is not on this job: there is none, or it stays on; each can come back. */
function Gone({ plan, say }: { plan: Plan; say: SayPlan }) {
  if (plan.gone.length === 0) return null;
  return (
    <section className="mt-3" data-testid="gone">
      <h2 className="lettering border-b border-ink pb-0.5">Not on this job</h2>
      {plan.gone.map(({ key, title, said }) => (
        <p key={key} className="py-1 text-note">
          {title}: {said.words}
          {said.who && `, ${said.who}`}
          {said.reason && `: ${said.reason}`}{" "}
          <button
            type="button"
            className="plain-link min-h-11"
            onClick={() => void say({ kind: "not_here", key, said: { answer: "open" } })}
          >
            It is, after all
          </button>
        </p>
      ))}
    </section>
  );
}

function Vanished({ plan }: { plan: Plan }) {
  if (plan.vanished.length === 0) return null;
  return (
    <section className="mt-4" data-testid="vanished">
      <h2 className="lettering border-b border-ink pb-0.5">Done, and no longer part of the plan</h2>
      {plan.vanished.map(({ key, said, text }) => (
        <p key={key} className="py-1 text-note">
          {key}: {text || said.words} {said.who && `(${said.who})`}
        </p>
      ))}
    </section>
  );
}
