import { useState } from "react";
import { Link } from "react-router";
import type { WordsOf } from "@/api/client";
import { Figure } from "@/components/Figure";
import { Labelled } from "@/components/Labelled";
import { Refused } from "@/components/Refused";
import { Scroll } from "@/components/Scroll";
import { Toggle } from "@/components/Toggle";
import { useForm } from "@/lib/useForm";
import { useJobEditor } from "@/lib/useJobEditor";
import { moment } from "@/lib/words";
import { BleedSteps } from "./BleedSteps";
import { useProof } from "./Prove";

/** Bleeding: a way picked, its steps, what it took; then the slave's travel says whether it frees. */
export function BleedView() {
  const { entered: job } = useJobEditor();
  const { prove, say } = useProof();
  const { bleeding } = prove;
  const [picked, setPicked] = useState(bleeding.methods[0]?.name ?? "");
  const form = useForm({ fluid: "", note: "", bottles: "", left: "" }, (words) =>
    say({
      kind: "bled",
      key: `${picked} ${bleeding.bled.length + 1} ${Date.now()}`,
      said: { answer: picked as WordsOf<"bled">["answer"], ...words },
    }),
  );
  const method = bleeding.methods.find(({ name }) => name === picked);
  const measure = `/jobs/${job.id}/measure/bench?check=slave_travel&build=planned`;
  if (!bleeding.fluid) {
    return (
      <p className="p-5">
        No fluid works this clutch.{" "}
        <Link to={`/jobs/${job.id}/measure/bench?check=bite_point`} className="plain-link">
          Read its bite point
        </Link>{" "}
        instead.
      </p>
    );
  }
  return (
    <Scroll label="Bleed" className="h-full overflow-y-auto px-5 py-4">
      <div className="mx-auto grid max-w-[72rem] gap-x-8 gap-y-6 tablet:grid-cols-2">
        <section aria-labelledby="bleed">
          <h1 id="bleed" className="border-b-2 border-ink pb-1 text-head font-bold">
            Bleed it
          </h1>
          <p className="flex flex-wrap gap-2 py-2">
            {bleeding.methods.map(({ name, label }) => (
              <Toggle key={name} on={name === picked} onTurn={() => setPicked(name)}>
                {label}
              </Toggle>
            ))}
          </p>
          {method && (
            <>
              <p className="text-soft">
                {method.hands} {method.hands === 1 ? "person" : "people"}, about {method.minutes} min; good{" "}
                {method.suits}. Takes {method.takes.join(", ")}.
              </p>
              {method.short && (
                <p className="font-semibold">▲ It takes {method.hands} people; fewer are said to be here.</p>
              )}
              <BleedSteps
                method={method}
                onTick={(key, done) =>
                  void form.tell(say({ kind: "bleed_step", key, said: { answer: done ? "done" : "open" } }))
                }
              />
              {bleeding.strokes !== null && (
                <p>
                  <b className="figure">{bleeding.strokes}</b> full strokes move 100 mL through this master.
                  <span className="block text-note text-soft">{bleeding.stroke}.</span>
                </p>
              )}
              <form className="flex flex-wrap items-end gap-2 py-3" onSubmit={form.onSubmit}>
                <Labelled
                  label="Fluid"
                  maxLength={80}
                  placeholder="the cap's grade"
                  width="w-40"
                  {...form.text("fluid")}
                />
                <Labelled
                  label="Bottles opened"
                  maxLength={40}
                  placeholder="500 mL"
                  width="w-28"
                  {...form.text("bottles")}
                />
                <Labelled
                  label="Left in them"
                  maxLength={40}
                  placeholder="320 mL"
                  width="w-28"
                  {...form.text("left")}
                />
                <Labelled
                  label="What came"
                  maxLength={200}
                  placeholder="bubbles for six strokes, then none"
                  {...form.text("note")}
                />
                <button type="submit" className="button min-h-11">
                  Bled this way
                </button>
              </form>
            </>
          )}
          <Refused why={form.trouble} />
          {bleeding.always.map((line) => (
            <p key={line} className="py-0.5 text-note">
              ▲ {line}
            </p>
          ))}
        </section>
        <section aria-labelledby="frees">
          <h1 id="frees" className="border-b-2 border-ink pb-1 text-head font-bold">
            Does it free?
          </h1>
          <p className="py-2 text-field font-semibold" data-testid="frees">
            {bleeding.says ||
              "Not known yet: the slave's travel at half and full pedal, and where it bites, tell."}
          </p>
          <p className="pb-2 text-field" data-testid="bleed-next">
            {bleeding.next}
          </p>
          <Link className="button inline-flex min-h-11 items-center" to={measure}>
            Read the slave's travel
          </Link>
          {bleeding.bled.map((each) => (
            <p key={each.key} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-2">
              <span className="grow">
                <b>{each.label}</b>
                {each.fluid && `, ${each.fluid}`}
                {each.used && (
                  <>
                    , used <Figure value={each.used} /> ({each.working})
                    {each.strokes !== null && `, ${each.strokes} full strokes`}
                  </>
                )}
                {each.note && `: ${each.note}`}{" "}
                <span className="text-note text-soft">
                  {each.who} {moment(each.at)}
                </span>
              </span>
              <button
                type="button"
                className="plain-link min-h-9 text-note"
                onClick={() =>
                  void form.tell(say({ kind: "bled", key: each.key, said: { answer: "taken_back" } }))
                }
              >
                Take back
              </button>
            </p>
          ))}
        </section>
      </div>
    </Scroll>
  );
}
