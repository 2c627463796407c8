import { Link } from "react-router";
import type { FitStep, Plan, WordsOf } from "@/api/client";
import type { SayPlan } from "@/api/fit";
import { Refused } from "@/components/Refused";
import { person } from "@/lib/person";
import { useForm } from "@/lib/useForm";
import { moment } from "@/lib/words";
import { Aloud } from "./Aloud";
import { Bolts } from "./Bolts";
import { Lines } from "./Lines";
import { NotHere } from "./NotHere";
import { Tightening } from "./Tightening";
import { addressOf } from "./where";

const ASKS: Record<FitStep["evidence"], string> = {
  tick: "",
  reading: "What was read",
  bolts: "Torque, and what was renewed",
  sentence: "What was found, in a few words",
};

/** One step in large type: its cautions, its tools, what proves it, and a button for a gloved hand. */
export function StepCard({
  plan,
  step,
  say,
  onDone,
  onStep,
}: {
  plan: Plan;
  step: FitStep;
  say: SayPlan;
  onDone: () => void;
  onStep: (key: string) => void;
}) {
  const done = step.state === "done" || step.state === "overridden";
  const first = plan.steps.find(({ title }) => title === step.first[0]);
  const wants = step.evidence === "reading" || step.evidence === "sentence";
  const shuts = step.lines.some(({ state }) => state === "bad" || state === "open");
  const form = useForm({ text: step.text, reason: "" }, ({ text }) => tick({ answer: "done", text }));
  const tick = async (said: WordsOf<"step">) => {
    const refused = await say({ kind: "step", key: step.key, said });
    if (refused === null) onDone();
    return refused;
  };
  const { text, reason } = form.words;
  return (
    <article className="pt-2" data-testid="step" data-step={step.key}>
      {step.hold && <p className="lettering inline-block border-2 border-ink px-2 py-0.5">Hold point</p>}
      <h2 className="text-state font-bold leading-tight">{step.title}</h2>
      <p className="flex flex-wrap items-center gap-x-4 text-field text-soft">
        {[
          step.reached,
          step.hands > 1 ? `${step.hands} people` : "",
          step.tools.join(", "),
          `about ${step.minutes} min${step.learned && `, ${step.learned}`}`,
        ]
          .filter(Boolean)
          .join(" · ")}
        <Aloud words={[step.title, ...step.hazards, step.note, step.shut && `Shut: ${step.shut}`]} />
      </p>
      {step.short && (
        <p className="pt-1 font-semibold">▲ It takes {step.hands} people; fewer are said to be here.</p>
      )}
      {step.hazards.map((hazard) => (
        <p key={hazard} className="mt-2 border-l-4 border-ink pl-3 text-field font-semibold">
          ▲ {hazard}
        </p>
      ))}
      {step.note && <p className="pt-2 text-field">{step.note}</p>}
      {step.help.map((help) => (
        <p key={help} className="pt-1 text-field">
          {help}
        </p>
      ))}
      {!done && <AtIt step={step} say={say} />}
      {step.shut && (
        <p className="mt-2 border-l-4 border-line pl-3 text-field" data-testid="comes-first">
          <b>Shut:</b> {step.shut}.
          {first && (
            <button type="button" className="plain-link block min-h-11" onClick={() => onStep(first.key)}>
              Go to it
            </button>
          )}
          {step.first.length > 1 && <span className="block">Then: {step.first.slice(1).join("; ")}.</span>}
        </p>
      )}
      {step.again && (
        <p className="pt-2 font-semibold">▲ To be proved anew: “{step.again}” was opened again.</p>
      )}
      {step.known && <p className="pt-2 text-field">Done: {step.known}.</p>}
      {step.settled && (
        <p className="pt-2 text-field">
          <b>{step.settled.words}</b>
          {step.settled.who && `, ${step.settled.who}`}
          {step.settled.reason && `: ${step.settled.reason}`}
        </p>
      )}
      {step.lines.length > 0 && <Lines plan={plan} step={step} say={say} />}
      {step.awaits.length > 0 && <p className="pt-2">Waits for: {step.awaits.join(", ")}.</p>}
      {done && step.said ? (
        <div className="pt-3">
          <p className="text-field">
            <b>{step.state === "overridden" ? "Overridden" : "Done"}</b>
            {step.said.who && `, ${step.said.who}`}, {moment(step.said.at)}
            {(step.text || step.said.reason) && `: ${step.text || step.said.reason}`}
          </p>
          <button
            type="button"
            className="button mt-2 min-h-12"
            onClick={() => void form.tell(tick({ answer: "open" }))}
          >
            Take it back
          </button>
        </div>
      ) : step.asked ? (
        step.state !== "shut" && (
          <div className="pt-3" data-testid="asked">
            <Link to={addressOf(plan, step.fact)} className="button flex min-h-16 items-center text-head">
              {step.fact.startsWith("measure") ? "Read it" : "Say it"} {step.asked}
            </Link>
            <span className="block pt-1 text-note text-soft">It is ticked from there.</span>
            {step.read_here && <ReadHere tick={tick} />}
          </div>
        )
      ) : (
        !done &&
        step.state !== "shut" && (
          <form className="grid gap-2 pt-3" onSubmit={form.onSubmit}>
            {step.turns.length > 0 && <Bolts plan={plan} step={step} say={say} />}
            {step.joints.map((joint) => (
              <Tightening key={joint.name} joint={joint} plan={plan} step={step} say={say} />
            ))}
            {ASKS[step.evidence] && (
              <label>
                <span className="font-semibold">{ASKS[step.evidence]}</span>
                <textarea
                  rows={2}
                  maxLength={2000}
                  {...form.field("text")}
                  className="mt-1 block w-full rounded-cut border border-line bg-sheet px-3 py-2 text-field"
                />
              </label>
            )}
            <button
              type="submit"
              className="button min-h-16 text-head"
              disabled={shuts || (wants && !text.trim()) || step.turns.some(({ state }) => state !== "done")}
            >
              {step.hold ? "Proved" : "Done"}
              {person() ? `, ${person()}` : ""}
            </button>
            {shuts && <p className="text-note">First what is looked up above, line by line.</p>}
            {step.hold && !step.signed && !shuts && (
              <details>
                <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
                  Go on without it …
                </summary>
                <input
                  aria-label="Why it is overridden"
                  {...form.field("reason")}
                  maxLength={2000}
                  placeholder="why; it is printed with your name"
                  className="h-11 w-full rounded-cut border border-line bg-sheet px-2 placeholder:text-soft placeholder:italic"
                />
                <button
                  type="button"
                  className="button mt-2 min-h-11"
                  disabled={!reason.trim()}
                  onClick={() => void form.tell(tick({ answer: "overridden", reason }))}
                >
                  Override the hold point
                </button>
              </details>
            )}
          </form>
        )
      )}
      <Refused why={form.trouble} className="pt-2" />
      {!done && !step.hold && !step.own && !step.off && <NotHere step={step} say={say} />}
    </article>
  );
}

/** A figure read at the step: it goes to the bench, several divided by semicolons. */
function ReadHere({ tick }: { tick: (said: WordsOf<"step">) => Promise<string | null> }) {
  const form = useForm({ text: "" }, ({ text }) => tick({ answer: "done", text }));
  return (
    <form className="flex flex-wrap items-end gap-2 pt-2" onSubmit={form.onSubmit}>
      <label className="min-w-0 grow">
        <span className="font-semibold">Or type it here, with its unit</span>
        <input
          {...form.field("text")}
          inputMode="text"
          placeholder="several: 0.4 mm; 0.5 mm"
          className="mt-1 block h-14 w-full rounded-cut border border-line bg-sheet px-3 text-field placeholder:text-soft placeholder:italic"
        />
      </label>
      <button type="submit" className="button min-h-14" disabled={!form.words.text.trim()}>
        Take
      </button>
      <Refused why={form.trouble} className="basis-full" />
    </form>
  );
}

/** Who is at a step, so that two people do not do it twice. */
function AtIt({ step, say }: { step: FitStep; say: SayPlan }) {
  const me = person();
  const mine = step.has !== null && step.has.who === me;
  const tell = (answer: "here" | "open") => void say({ kind: "at_step", key: step.key, said: { answer } });
  if (step.has && !mine)
    return (
      <p className="pt-2 font-semibold" data-testid="at-it">
        ▲ {step.has.who} is at this step since {moment(step.has.at)}.
      </p>
    );
  if (!me) return null;
  return (
    <p className="pt-1" data-testid="at-it">
      <button
        type="button"
        className="plain-link min-h-11 text-note"
        onClick={() => tell(mine ? "open" : "here")}
      >
        {mine ? `${me} is at it: let go of it` : `I am at it, ${me}`}
      </button>
    </p>
  );
}
