import { useState } from "react";
import { Link, useOutletContext } from "react-router";
import type { Measure, Verdict } from "@/api/client";
import { useEffects, useTakeEffects, useUndoes } from "@/api/measure";
import { Complaints } from "@/components/Complaints";
import { Glyph } from "@/components/Glyph";
import { Scroll } from "@/components/Scroll";
import { leadsTo } from "@/components/TitleBlock";
import { BUILD, tryKey, withSearch } from "@/lib/address";
import { first } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";
import { QUESTION_LABELS, STATE_WORDS } from "@/lib/words";
import { AddPart } from "./AddPart";
import type { Bench } from "./BenchView";
import { AllHere, PartNow, type Plan } from "./PartNow";
import type { Send } from "./send";
import { WhileOpen } from "./WhileOpen";
import { WhoseFigures } from "./WhoseFigures";

/** From verdicts to decisions: what to get and why, what the readings do to the four questions, what is worth doing. */
export function DecideView() {
  const { bench, send } = useOutletContext<Bench>();
  return (
    <Scroll label="Decide" className="h-full overflow-y-auto px-5 py-4">
      <div className="mx-auto grid max-w-[84rem] gap-x-10 gap-y-6 wide:grid-cols-2">
        <div className="grid content-start gap-6">
          <Complaints complaints={bench.complaints} />
          <WhoseFigures bench={bench} />
          <Needs bench={bench} send={send} />
          <Practices bench={bench} send={send} />
        </div>
        <div className="grid content-start gap-6">
          <Effects bench={bench} />
          <WhileOpen bench={bench} send={send} />
        </div>
      </div>
    </Scroll>
  );
}

const WORK: Record<Measure["needs"][number]["work"], string> = {
  get: "To get",
  dress: "To dress or machine",
  put_right: "To put right",
  measure: "To measure better",
};

function Needs({ bench, send }: { bench: Measure; send: Send }) {
  const { entered, actions } = useJobEditor();
  const undoes = useUndoes(entered.id);
  const [asked, setAsked] = useState<Plan[]>([]);
  const works = [...new Set(bench.needs.map((need) => need.work))];
  const kept = bench.needs.filter((need) => need.state !== "struck");
  const plans = kept.flatMap((need) => need.plan ?? []);
  const plan = (these: Plan[]) => {
    const parts = these.map(({ quantity, typed }) => `${quantity.replace(/_fate$/, "")}:${typed}`).join(",");
    undoes.mutate(parts, {
      onSuccess: ({ again }) => (again.length === 0 ? actions.put(these) : setAsked(these)),
      onError: () => actions.put(these),
    });
  };
  return (
    <section aria-labelledby="needs" data-testid="needs">
      <div className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-1">
        <h1 id="needs" className="text-head font-bold">
          Parts and work
        </h1>
        {plans.length > 0 && (
          <button type="button" className="button ml-auto" onClick={() => plan(plans)}>
            Plan these parts
          </button>
        )}
        {bench.needs.length > 0 && (
          <a className="button" href={`/api/jobs/${bench.job}/parts.csv`} download>
            Save the list as CSV
          </a>
        )}
      </div>
      {asked.length > 0 && undoes.data && (
        <div role="alert" className="border-l-4 border-now py-2 pl-3" data-testid="undoes">
          <p className="font-semibold">▲ {undoes.data.sentence}</p>
          <p className="flex flex-wrap gap-3 pt-1">
            <button
              type="button"
              className="button min-h-11"
              onClick={() => {
                actions.put(asked);
                setAsked([]);
              }}
            >
              Plan it all the same
            </button>
            <button type="button" className="button min-h-11" onClick={() => setAsked([])}>
              Leave it
            </button>
          </p>
        </div>
      )}
      {bench.needs.length === 0 && (
        <p className="py-3 text-soft">
          Nothing yet. Take readings on the{" "}
          <Link className="plain-link" to="../bench">
            bench
          </Link>
          ; what has to be got or done collects here, each with its reasons.
        </p>
      )}
      <AllHere bench={bench} send={send} />
      {works.map((work) => (
        <div key={work} className="mt-2">
          <h2 className="lettering">{WORK[work]}</h2>
          <ul>
            {bench.needs
              .filter((need) => need.work === work)
              .map((need) => (
                <PartNow key={need.part} bench={bench} need={need} send={send} plan={plan} />
              ))}
          </ul>
        </div>
      ))}
      <AddPart bench={bench} send={send} />
      {plans.length > 0 && (
        <p className="mt-2 text-note">
          What is planned as renewed goes in new: what was read of the old one then counts as found only.
        </p>
      )}
      <p className="mt-2 text-note text-soft">
        A calculator and a logbook: the vehicle's manual, local codes and a qualified technician come first.
      </p>
    </section>
  );
}

function Practices({ bench, send }: { bench: Measure; send: Send }) {
  return (
    <section aria-labelledby="practices" data-testid="practices">
      <h2 id="practices" className="border-b border-ink pb-1 text-head font-bold">
        How this shop does it
      </h2>
      <p className="py-1 text-note text-soft">
        Where good builders differ. It holds for every job of the shop.
      </p>
      {bench.practices.map((practice) => (
        <div key={practice.name} className="py-1.5">
          <p className="font-semibold" aria-hidden="true">
            {practice.about}
          </p>
          <select
            aria-label={practice.about}
            value={practice.option}
            onChange={(event) => void send({ practice: { name: practice.name, option: event.target.value } })}
            className="mt-1 h-11 w-full rounded-cut border border-line bg-sheet px-2"
          >
            {practice.options.map(({ name: value, label: says }) => (
              <option key={value} value={value}>
                {says}
              </option>
            ))}
          </select>
          <select
            aria-label={`${practice.about}, on this job`}
            value={practice.here}
            onChange={(event) =>
              void send({
                record: { kind: "practice", key: practice.name, said: { answer: event.target.value } },
              })
            }
            className="mt-1 h-9 w-full rounded-cut border border-hair bg-paper px-2 text-note"
          >
            <option value="">On this job: as the shop does</option>
            {practice.options
              .filter(({ name }) => name !== practice.option)
              .map(({ name, label }) => (
                <option key={name} value={name}>
                  On this job: {label.toLowerCase()}
                </option>
              ))}
          </select>
        </div>
      ))}
    </section>
  );
}

/** Measured values replace assumed ones: which, and what that does to the four questions. */
function Effects({ bench }: { bench: Measure }) {
  const { entered } = useJobEditor();
  const take = useTakeEffects(entered.id, bench.build);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const effects = useEffects(entered.id, entered.revision, bench.build, [...left].sort().join());
  if (!effects.data) return null;
  const { effects: found, before, after } = effects.data;
  const wanted = found.filter((effect) => !left.has(effect.quantity));
  const tries = withSearch(
    new URLSearchParams(bench.build === "found" && bench.apart.length > 0 ? { [BUILD]: "found" } : {}),
    Object.fromEntries(wanted.map((effect) => [tryKey(effect.quantity), effect.typed])),
  );
  return (
    <section aria-labelledby="effects" data-testid="effects">
      <h2 id="effects" className="min-h-[2.6rem] content-end border-b-2 border-ink pb-1 text-head font-bold">
        What the readings change
      </h2>
      {found.length === 0 ? (
        <p className="py-3 text-soft">
          No reading says otherwise than the job does. Springs, plates, rivets, depths and cuts show up here.
        </p>
      ) : (
        <>
          <table className="w-full">
            <tbody>
              {found.map((effect) => (
                <tr
                  key={effect.quantity}
                  className="border-b border-hair align-baseline"
                  data-effect={effect.quantity}
                >
                  <td className="pr-1 align-middle">
                    <label className="grid size-11 place-items-center">
                      <input
                        type="checkbox"
                        className="size-5"
                        aria-label={`Take ${effect.label}`}
                        checked={!left.has(effect.quantity)}
                        onChange={(event) => {
                          const next = new Set(left);
                          if (event.target.checked) next.delete(effect.quantity);
                          else next.add(effect.quantity);
                          setLeft(next);
                        }}
                      />
                    </label>
                  </td>
                  <th scope="row" className="py-1.5 pr-3 text-left">
                    {effect.label}
                    <span className="block text-note font-normal text-soft">{effect.why}</span>
                  </th>
                  <td className="figure py-1.5 text-right">
                    <span className="block text-note text-soft line-through">{effect.before}</span>
                    <b>{effect.after}</b>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <div
            className="mt-3 grid grid-cols-2 gap-x-4 gap-y-2 tablet:grid-cols-4"
            data-testid="before-after"
          >
            {before.map((was, i) => {
              const now = after[i];
              return now ? (
                <Answer key={was.question} job={entered.id} was={was} now={now} tries={tries} />
              ) : null;
            })}
          </div>
          {wanted.length > 0 && (
            <p className="mt-2 text-note">
              <Link
                className="plain-link inline-flex min-h-11 items-center"
                to={`../../choose/section${tries}`}
              >
                Try {wanted.length === found.length ? "them" : "these"} on the workbench first
              </Link>
            </p>
          )}
          <button
            type="button"
            className="button mt-1 min-h-12 w-full"
            disabled={wanted.length === 0 || take.isPending}
            onClick={() => take.mutate(wanted.map((effect) => effect.quantity))}
          >
            Put {wanted.length === found.length ? "them" : `${wanted.length} of ${found.length}`} into the
            job, as measured
          </button>
          {take.error && (
            <p role="alert" className="mt-1 font-semibold">
              ▲ {take.error.message}
            </p>
          )}
        </>
      )}
    </section>
  );
}

/** An answer before and after; each margin leads to its working, the later one with the readings tried. */
function Answer({ job, was, now, tries }: { job: number; was: Verdict; now: Verdict; tries: string }) {
  const shown = (verdict: Verdict) => {
    const figure = verdict.deciding?.figure && first(verdict.deciding.figure);
    return figure ? `${figure.figure} ${figure.unit}`.trim() : "";
  };
  const same = was.state === now.state && shown(was) === shown(now);
  return (
    <div data-question={was.question}>
      <p className="lettering">{QUESTION_LABELS[was.question]}</p>
      <p className="text-note text-soft">
        {STATE_WORDS[was.state]}{" "}
        {shown(was) && (
          <Link className="plain-link figure" to={leadsTo(job, was)}>
            {shown(was)}
          </Link>
        )}
      </p>
      <p className="flex items-center gap-2">
        <Glyph verdict={now} className="h-8 w-11" />
        <span className={same ? "" : "font-bold"}>
          {same ? "no change" : STATE_WORDS[now.state]}{" "}
          {!same && shown(now) && (
            <Link className="plain-link figure" to={leadsTo(job, now, tries)}>
              {shown(now)}
            </Link>
          )}
        </span>
      </p>
    </div>
  );
}
