import { useState } from "react";
import { Link } from "react-router";
import type { OptionOf, WordsOf } from "@/api/client";
import { Figure } from "@/components/Figure";
import { HowItComesAbout } from "@/components/HowItComesAbout";
import { Refused } from "@/components/Refused";
import { SaveLink } from "@/components/SaveLink";
import { Scroll } from "@/components/Scroll";
import { useForm } from "@/lib/useForm";
import { useJobEditor } from "@/lib/useJobEditor";
import { moment } from "@/lib/words";
import { useProof } from "./Prove";

/** Bedding-in, what stands before the hand-over, the documents, and the signature. */
export function HandOverView() {
  const { entered: job } = useJobEditor();
  const { prove, say } = useProof();
  const [trouble, setTrouble] = useState<string | null>(null);
  const tell = (change: Parameters<typeof say>[0]) => void say(change).then(setTrouble);
  const file = (name: string) => `/api/jobs/${job.id}/${name}`;
  return (
    <Scroll label="What is handed over" className="h-full overflow-y-auto px-5 py-4">
      <div className="mx-auto grid max-w-[72rem] gap-x-8 gap-y-6 tablet:grid-cols-2">
        <BeddingIn />
        <section aria-labelledby="hand">
          <Ahead />
          <h1 id="hand" className="border-b-2 border-ink pb-1 text-head font-bold">
            Hand-over
          </h1>
          {prove.lacks.length > 0 && (
            <ul className="py-2" data-testid="lacks">
              {prove.lacks.map(({ words, leads }) => (
                <li key={words} className="py-0.5">
                  ▲{" "}
                  <Link className="plain-link" to={`/jobs/${job.id}/${leads}`}>
                    {words}
                  </Link>
                </li>
              ))}
            </ul>
          )}
          <p className="flex flex-wrap gap-3 py-2">
            <a
              className="button inline-flex min-h-11 items-center"
              href={file("handover.html")}
              target="_blank"
              rel="noreferrer"
            >
              Look at it
            </a>
            <SaveLink className="button inline-flex min-h-11 items-center" address={file("handover.pdf")}>
              Hand-over (PDF)
            </SaveLink>
            <SaveLink
              className="button inline-flex min-h-11 items-center"
              address={file("handover.pdf?owner=true")}
            >
              One page for the owner (PDF)
            </SaveLink>
            <a className="button inline-flex min-h-11 items-center" href={file("calendar.ics")} download>
              Dates to come (.ics)
            </a>
            <a className="button inline-flex min-h-11 items-center" href={file("archive.zip")} download>
              All of it in one archive
            </a>
          </p>
          <Refused why={trouble} />
          <button
            type="button"
            className="button min-h-11"
            onClick={() => tell({ kind: "hand_over", key: String(job.revision), said: { answer: "signed" } })}
          >
            Sign this edition with my name
          </button>
          {prove.editions.map((edition) => (
            <p key={edition.answer} className="border-b border-hair py-1">
              {edition.words}: <b>{edition.who}</b>{" "}
              <span className="text-note text-soft">{moment(edition.at)}</span>
            </p>
          ))}
          {prove.changed_since && (
            <p className="py-1 font-semibold">▲ Changed since it was signed: sign a new edition.</p>
          )}
        </section>
      </div>
    </Scroll>
  );
}

/** What lies ahead: measured again, re-shimmed, and the line for the glove box. */
function Ahead() {
  const { ahead } = useProof().prove;
  return (
    <div className="pb-4" data-testid="ahead">
      <h2 className="lettering border-b border-ink pb-0.5">What lies ahead</h2>
      {ahead.says.length === 0 && (
        <p className="py-1 text-soft">
          How fast it wears is not known: enter starts a distance, or keep drives.
        </p>
      )}
      {ahead.says.map((line) => (
        <p key={line} className="py-1 text-field">
          {line}
        </p>
      ))}
      <HowItComesAbout words={ahead.working} />
      {ahead.glove && (
        <p className="text-note">
          For the glove box: <b>{ahead.glove}</b>
        </p>
      )}
    </div>
  );
}

type Change = Parameters<ReturnType<typeof useProof>["say"]>[0];

function BeddingIn() {
  const { prove, say } = useProof();
  const running = prove.running_in;
  const form = useForm(
    { distance: "", starts: "", felt: "", how: running.hows[0]?.name ?? "" },
    ({ distance, starts, felt, how }) =>
      say({
        kind: "trip",
        key: `trip ${running.trips.length + 1} ${Date.now()}`,
        said: { distance, starts, felt, how: how as OptionOf<"trip", "how"> },
      }),
    ["how"],
  );
  const tell = (change: Change) => void form.tell(say(change));
  const look = "h-11 rounded-cut border border-line bg-sheet px-2";
  return (
    <section aria-labelledby="bedding">
      <h1 id="bedding" className="border-b-2 border-ink pb-1 text-head font-bold">
        Bedding-in
      </h1>
      <p className="py-2 text-field font-semibold" data-testid="bedding-says">
        {running.says}
      </p>
      <div
        className="h-4 border border-ink"
        role="progressbar"
        aria-label="Bedded in"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(100 * running.share)}
      >
        <div className="h-full bg-ink" style={{ width: `${100 * running.share}%` }} />
      </div>
      {running.faces.length > 0 && (
        <>
          <p className="pt-2 text-note">
            New or cut: {running.faces.map(({ label }) => label.toLowerCase()).join(", ")}.
          </p>
          <Counted key={`${running.school} ${running.figure}`} />
        </>
      )}
      <form className="mt-3 flex flex-wrap items-end gap-3" onSubmit={form.onSubmit}>
        <label className="text-note">
          Trip
          <input className={`${look} mt-0.5 block w-28`} placeholder="km or mi" {...form.field("distance")} />
        </label>
        <label className="text-note">
          Starts
          <input className={`${look} mt-0.5 block w-20`} inputMode="numeric" {...form.field("starts")} />
        </label>
        <label className="text-note">
          Driven
          <select className={`${look} mt-0.5 block`} {...form.field("how")}>
            {running.hows.map(({ name, label }) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <label className="grow text-note">
          What was felt
          <input
            className={`${look} mt-0.5 block w-full`}
            maxLength={400}
            placeholder="frees, no judder, no smell"
            {...form.field("felt")}
          />
        </label>
        <button
          type="submit"
          className="button min-h-11"
          disabled={!form.words.distance && !form.words.starts}
        >
          Add the trip
        </button>
        <Refused why={form.trouble} className="basis-full" />
      </form>
      {running.driven_hard && <p className="py-2 font-semibold">▲ {running.driven_hard}</p>}
      {running.trips.map((trip) => (
        <p key={trip.key} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-1">
          <span className="grow">
            <Figure value={trip.distance} /> · {trip.starts} starts · {trip.how_words}
            {trip.felt && `: ${trip.felt}`}
          </span>
          <button
            type="button"
            className="plain-link min-h-9 text-note"
            onClick={() => tell({ kind: "trip", key: trip.key, said: { answer: "open" } })}
          >
            Take back
          </button>
        </p>
      ))}
      {running.look_again && (
        <p className="mt-3 border-l-4 border-now pl-3">
          Look again now: {running.look_at}.{" "}
          <button
            type="button"
            className="button min-h-11"
            onClick={() => tell({ kind: "second_look", said: { answer: "done" } })}
          >
            Looked at again
          </button>
        </p>
      )}
      {running.looked && (
        <p className="pt-2 text-note">
          Looked at again: {running.looked.who} {moment(running.looked.at)}
        </p>
      )}
      {!running.done &&
        (running.allowed ? (
          <p className="pt-2">
            Full load allowed before: {running.allowed.reason} <b>{running.allowed.who}</b>
          </p>
        ) : (
          <details className="mt-3">
            <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
              Allow full load before it is done …
            </summary>
            <AllowFullLoad say={say} look={look} />
          </details>
        ))}
    </section>
  );
}

/** By what it is counted, and the kit maker's own figure, which comes before the trade's. */
function Counted() {
  const { prove, say } = useProof();
  const running = prove.running_in;
  const look = "h-11 rounded-cut border border-line bg-sheet px-2";
  const form = useForm(
    { school: running.school, figure: running.figure },
    ({ school, figure }) =>
      say({
        kind: "bedding_in",
        said: { answer: school as WordsOf<"bedding_in">["answer"], figure: figure.trim() },
      }),
    ["school", "figure"],
  );
  const same = form.words.school === running.school && form.words.figure === running.figure;
  return (
    <form className="mt-1 flex flex-wrap items-end gap-3" onSubmit={form.onSubmit}>
      <label className="min-w-0 grow text-note">
        Counted
        <select className={`${look} mt-0.5 block w-full`} {...form.field("school")}>
          {running.schools.map(({ name, label }) => (
            <option key={name} value={name}>
              {label}
            </option>
          ))}
        </select>
      </label>
      <label className="text-note">
        The kit maker says
        <input
          className={`${look} mt-0.5 block w-32`}
          placeholder={form.words.school === "starts" ? "starts" : "km or mi"}
          {...form.field("figure")}
        />
      </label>
      <button type="submit" className="button min-h-11" disabled={same}>
        Take it
      </button>
      <Refused why={form.trouble} className="basis-full" />
    </form>
  );
}

function AllowFullLoad({ say, look }: { say: ReturnType<typeof useProof>["say"]; look: string }) {
  const form = useForm({ reason: "" }, ({ reason }) =>
    say({ kind: "full_load", said: { answer: "allowed", reason } }),
  );
  return (
    <form className="flex flex-wrap gap-3" onSubmit={form.onSubmit}>
      <input
        aria-label="Why full load is allowed"
        className={`${look} grow`}
        placeholder="why"
        {...form.field("reason")}
      />
      <button type="submit" className="button min-h-11">
        Allow, with my name
      </button>
      <Refused why={form.trouble} className="basis-full" />
    </form>
  );
}
