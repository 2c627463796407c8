import { useState } from "react";
import { Link } from "react-router";
import { type Prove, useCloseFault } from "@/api/prove";
import { Complaints } from "@/components/Complaints";
import { Refused } from "@/components/Refused";
import { Scroll } from "@/components/Scroll";
import { Toggle } from "@/components/Toggle";
import { useJobEditor } from "@/lib/useJobEditor";
import { useProof } from "./Prove";

type Test = NonNullable<Prove["fault"]["next"]>;
type Cause = Prove["fault"]["causes"][number];

/** The fault finder: the complaint, the test that separates most for its time, causes by how likely they are. */
export function FaultView() {
  const { prove, say } = useProof();
  const { fault } = prove;
  const [trouble, setTrouble] = useState<string | null>(null);
  const tell = (change: Parameters<typeof say>[0]) => void say(change).then(setTrouble);
  const turn = (name: string) =>
    fault.complaints.includes(name)
      ? fault.complaints.filter((each) => each !== name)
      : [...fault.complaints, name];
  return (
    <div className="grid h-full content-start overflow-y-auto tablet:grid-cols-[minmax(0,1fr)_minmax(18rem,28rem)]">
      <Scroll label="What to try" className="px-5 py-4">
        <h1 id="does" className="text-head font-bold">
          What does it do?
        </h1>
        <fieldset aria-labelledby="does">
          <p className="flex flex-wrap gap-2 py-2">
            {fault.offered.map(({ name, label }) => (
              <Toggle
                key={name}
                on={fault.complaints.includes(name)}
                onTurn={() => tell({ kind: "complaint", said: { answer: turn(name).join(", ") } })}
              >
                {label}
              </Toggle>
            ))}
          </p>
        </fieldset>
        <Refused why={trouble} />
        {fault.next && (
          <section aria-labelledby="next-test" className="mt-2" data-testid="next-test">
            <h2 id="next-test" className="lettering border-b border-ink pb-0.5">
              {fault.settled ? "Would still tell something" : "Try next"}
            </h2>
            <Ask key={fault.next.name} test={fault.next} large tell={tell} />
          </section>
        )}
        {fault.then.length > 0 && (
          <section aria-labelledby="then-tests" className="mt-4">
            <h2 id="then-tests" className="lettering border-b border-ink pb-0.5">
              Or one of these
            </h2>
            {fault.then.map((test) => (
              <Ask key={test.name} test={test} tell={tell} />
            ))}
          </section>
        )}
        {fault.asked.length > 0 && (
          <section aria-labelledby="asked" className="mt-4" data-testid="asked">
            <h2 id="asked" className="lettering border-b border-ink pb-0.5">
              Tried
            </h2>
            {fault.asked.map((test) => (
              <p key={test.name} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-1">
                <span className="grow">
                  {test.ask} <b>{test.said?.answer}</b>
                </span>
                <button
                  type="button"
                  className="plain-link min-h-9 text-note"
                  onClick={() => tell({ kind: "fault_test", key: test.name, said: { answer: "open" } })}
                >
                  Take back
                </button>
              </p>
            ))}
          </section>
        )}
        <div className="mt-5">
          <Complaints
            complaints={prove.complaints}
            close={(key, answer) => say({ kind: "complaint_closed", key, said: answer })}
          />
        </div>
      </Scroll>
      <Scroll label="Causes" className="border-line px-5 py-4 max-tablet:border-t tablet:border-l">
        <h2 className="text-head font-bold">What it may be</h2>
        {fault.causes.length === 0 && <p className="py-2 text-soft">Say what it does first.</p>}
        <ol>
          {fault.causes.map((cause) => (
            <Likely key={cause.name} cause={cause} />
          ))}
        </ol>
        <p className="pt-3 text-note text-soft">
          How likely follows from the build's own numbers, its readings and what was tried; shares of the
          trade, no source. A look that settles nothing closes nothing. Before it is opened up, the vehicle's
          manual and a qualified technician come first.
        </p>
      </Scroll>
    </div>
  );
}

type Tell = (change: Parameters<ReturnType<typeof useProof>["say"]>[0]) => void;

/** A test with its answers as targets. */
function Ask({ test, tell, large = false }: { test: Test; tell: Tell; large?: boolean }) {
  return (
    <div className="border-b border-hair py-2">
      <p className={large ? "max-w-prose text-state font-bold" : "max-w-prose"}>{test.ask}</p>
      <p className="text-note text-soft">
        about {test.minutes.toFixed(0)} min{test.opens && ", with it opened up"}
      </p>
      <p className="flex flex-wrap gap-2 pt-1">
        {test.answers.map((answer) => (
          <button
            key={answer}
            type="button"
            className={`button min-h-11 ${large ? "min-w-28" : ""}`}
            onClick={() => tell({ kind: "fault_test", key: test.name, said: { answer } })}
          >
            {answer}
          </button>
        ))}
      </p>
    </div>
  );
}

function Likely({ cause }: { cause: Cause }) {
  const { entered: job } = useJobEditor();
  const { say } = useProof();
  const closeIt = useCloseFault(job.id);
  const [trouble, setTrouble] = useState<string | null>(null);
  const close = () => closeIt(cause.name).then(setTrouble);
  return (
    <li className="border-b border-hair py-2" data-cause={cause.name}>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className={`grow ${cause.word === "likely" ? "text-field font-bold" : ""}`}>{cause.words}</span>
        <span className={cause.word === "unlikely" ? "text-note text-soft" : "font-semibold"}>
          {cause.word}
        </span>
      </p>
      {cause.word !== "unlikely" && (
        <>
          {cause.why.map((line) => (
            <p key={line} className="text-note text-soft">
              {line}
            </p>
          ))}
          <p className="flex flex-wrap items-baseline justify-between gap-x-3 text-note">
            <span>Mended by: {cause.mends}.</span>
            {cause.found ? (
              <span>
                <b>Found{cause.found.who && `, ${cause.found.who}`}</b>{" "}
                <button
                  type="button"
                  className="plain-link min-h-11"
                  onClick={() =>
                    void say({ kind: "fault", key: cause.name, said: { answer: "open" } }).then(setTrouble)
                  }
                >
                  Take back
                </button>
              </span>
            ) : (
              <button type="button" className="plain-link min-h-11" onClick={() => void close()}>
                This was it
              </button>
            )}
          </p>
          {cause.found ? (
            <p className="text-note" data-testid="closed">
              {cause.closes.parts.length > 0 &&
                `On the list: ${cause.closes.parts.map(({ label }) => label).join(", ")}. `}
              {cause.closes.scope_label &&
                `The job goes as far as: ${cause.closes.scope_label.toLowerCase()}. `}
              <Link className="plain-link" to={`/jobs/${job.id}/measure/decide`}>
                Decide
              </Link>
              {", "}
              <Link className="plain-link" to={`/jobs/${job.id}/fit`}>
                lay out the work
              </Link>
            </p>
          ) : (
            cause.closes.parts.length > 0 && (
              <p className="text-note text-soft">
                Closes into: {cause.closes.parts.map(({ label }) => label).join(", ")}.
              </p>
            )
          )}
          <Refused why={trouble} />
        </>
      )}
    </li>
  );
}
