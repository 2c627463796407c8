import { useState } from "react";
import { Link } from "react-router";
import type { WordsOf } from "@/api/client";
import { Figure } from "@/components/Figure";
import { Labelled } from "@/components/Labelled";
import { Scroll } from "@/components/Scroll";
import { Toggle } from "@/components/Toggle";
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
  const [fluid, setFluid] = useState("");
  const [note, setNote] = useState("");
  const [bottles, setBottles] = useState("");
  const [left, setLeft] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
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
                  void say({ kind: "bleed_step", key, said: { answer: done ? "done" : "open" } }).then(
                    setTrouble,
                  )
                }
              />
              {bleeding.strokes !== null && (
                <p>
                  <b className="figure">{bleeding.strokes}</b> full strokes move 100 mL through this master.
                  <span className="block text-note text-soft">{bleeding.stroke}.</span>
                </p>
              )}
              <form
                className="flex flex-wrap items-end gap-2 py-3"
                onSubmit={(event) => {
                  event.preventDefault();
                  const key = `${picked} ${bleeding.bled.length + 1} ${Date.now()}`;
                  void say({
                    kind: "bled",
                    key,
                    said: { answer: picked as WordsOf<"bled">["answer"], fluid, note, bottles, left },
                  }).then((refused) => {
                    setTrouble(refused);
                    if (refused === null) {
                      setFluid("");
                      setNote("");
                      setBottles("");
                      setLeft("");
                    }
                  });
                }}
              >
                <Labelled
                  label="Fluid"
                  value={fluid}
                  maxLength={80}
                  placeholder="the cap's grade"
                  width="w-40"
                  onText={setFluid}
                />
                <Labelled
                  label="Bottles opened"
                  value={bottles}
                  maxLength={40}
                  placeholder="500 mL"
                  width="w-28"
                  onText={setBottles}
                />
                <Labelled
                  label="Left in them"
                  value={left}
                  maxLength={40}
                  placeholder="320 mL"
                  width="w-28"
                  onText={setLeft}
                />
                <Labelled
                  label="What came"
                  value={note}
                  maxLength={200}
                  placeholder="bubbles for six strokes, then none"
                  onText={setNote}
                />
                <button type="submit" className="button min-h-11">
                  Bled this way
                </button>
              </form>
            </>
          )}
          {trouble && <p role="alert">▲ {trouble}</p>}
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
                  void say({ kind: "bled", key: each.key, said: { answer: "taken_back" } }).then(setTrouble)
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
