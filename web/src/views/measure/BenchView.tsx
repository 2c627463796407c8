import { useState } from "react";
import { useOutletContext } from "react-router";
import type { Measure, OptionOf } from "@/api/client";
import { Photos } from "@/components/Photos";
import { Scroll } from "@/components/Scroll";
import { useAddress } from "@/lib/address";
import { nextCheck, placeNow } from "@/lib/keypad";
import { AddCheck } from "./AddCheck";
import { CalculationsOf } from "./CalculationsOf";
import { CheckList } from "./CheckList";
import { Clock } from "./Clock";
import { Finding, Readings } from "./Finding";
import { HowTaken } from "./HowTaken";
import { Instruments } from "./Instruments";
import { Limits } from "./Limits";
import { Said } from "./Said";
import { SweepFigures } from "./SweepFigures";
import type { Send } from "./send";
import { TakeReading } from "./TakeReading";
import { Working } from "./Working";

export type Bench = { bench: Measure; send: Send };

/** The bench: what to measure next on the left, one reading at a time in the middle, what it means on the right. */
export function BenchView() {
  const { bench, send } = useOutletContext<Bench>();
  const [search, put] = useAddress();
  const [listed, setListed] = useState(false);
  const asked = search.get("check") ?? bench.next_check;
  const check = bench.checks.find((each) => each.name === asked) ?? bench.checks[0];
  if (!check) return null;
  const go = (name: string) => {
    setListed(false);
    put({ check: name, place: null, with: null });
  };
  const next = nextCheck(bench.checks, check.name);
  const all = check.finding.taken >= check.finding.wanted;
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto tablet:grid tablet:grid-cols-2 tablet:grid-rows-[auto_1fr] tablet:overflow-hidden wide:grid-cols-[17rem_minmax(21rem,25rem)_1fr] wide:grid-rows-1">
      <div className="shrink-0 border-b border-ink px-4 py-1 tablet:col-span-2 wide:hidden">
        <button
          type="button"
          className="button min-h-11 w-full justify-between"
          aria-expanded={listed}
          onClick={() => setListed(!listed)}
        >
          {check.title}
          <span className="figure text-note">
            {bench.done} of {bench.wanted} done
          </span>
        </button>
      </div>
      <Scroll
        label="What to measure"
        className={`shrink-0 border-ink px-4 py-3 tablet:col-span-2 tablet:overflow-y-auto wide:col-span-1 wide:block wide:border-r ${listed ? "" : "hidden"}`}
      >
        <p className="mb-2 flex items-center justify-between gap-2">
          <span className="text-note">
            <span className="figure">{bench.done}</span> of <span className="figure">{bench.wanted}</span>{" "}
            done
          </span>
          <button
            type="button"
            className="plain-link min-h-11 text-note"
            onClick={() => put({ instruments: "" })}
          >
            Instruments
          </button>
        </p>
        <CheckList bench={bench} now={check.name} onCheck={go} />
        <AddCheck bench={bench} send={send} />
        <label className="mt-2 block text-note">
          This job goes as far as
          <select
            value={bench.scope}
            onChange={(event) =>
              void send({
                record: {
                  kind: "scope",
                  key: "",
                  said: { answer: event.target.value as OptionOf<"scope", "answer"> },
                },
              })
            }
            className="mt-1 h-11 w-full rounded-cut border border-line bg-sheet px-2"
          >
            {bench.scopes.map(({ name, label }) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </select>
        </label>
      </Scroll>
      <Scroll
        label="Reading"
        className={`shrink-0 border-ink px-4 py-3 tablet:overflow-y-auto tablet:border-r wide:block ${listed ? "hidden" : ""}`}
      >
        <TakeReading
          key={check.name}
          bench={bench}
          check={check}
          place={search.get("place")}
          instrument={search.get("with")}
          send={send}
          onPlace={(place) => put({ place, check: check.name }, ["check", "place"])}
          onInstrument={(key) => put({ with: key })}
        />
      </Scroll>
      <Scroll
        label="What it means"
        className={`shrink-0 px-4 py-3 tablet:overflow-y-auto wide:block ${listed ? "hidden" : ""}`}
      >
        {next && all && (
          <button type="button" className="button mb-3 min-h-12 w-full text-field" onClick={() => go(next)}>
            Next: {bench.checks.find((each) => each.name === next)?.title}
          </button>
        )}
        {(check.kind !== "figure" || check.finding.verdict === "open") && <Finding check={check} />}
        <Said key={`said ${check.name}`} bench={bench} check={check} send={send} />
        {check.kind === "sweep" && <Clock check={check} here={placeNow(check, search.get("place"))} />}
        <SweepFigures check={check} />
        <CalculationsOf calculations={bench.calculations} check={check} send={send} />
        <Working lines={check.working} />
        {check.kind !== "grade" && <Limits check={check} send={send} vehicle={bench.vehicle} />}
        <Readings check={check} />
        <Photos job={bench.job} of={`check:${check.name}`} />
        <HowTaken key={`${check.name} ${check.series}`} check={check} send={send} />
      </Scroll>
      {search.has("instruments") && (
        <Instruments bench={bench} send={send} onClose={() => put({ instruments: null })} />
      )}
    </div>
  );
}
