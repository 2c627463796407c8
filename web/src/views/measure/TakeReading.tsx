import { useEffect, useRef, useState } from "react";
import type { Check, GaugeEvent, Measure } from "@/api/client";
import { useKeyed, useRereadBench } from "@/api/measure";
import { Refused } from "@/components/Refused";
import { beep } from "@/lib/beep";
import { openPlaces, pieceAfter, placeNow } from "@/lib/keypad";
import { keepUnit, lastUnit } from "@/lib/lastUnit";
import { requestName } from "@/lib/request";
import { useGauge } from "@/lib/useGauge";
import { useSent } from "@/lib/useSent";
import { useTakeBack } from "@/lib/useTakeBack";
import { Angles } from "./Angles";
import { Grades } from "./Grades";
import { Keypad } from "./Keypad";
import { Places } from "./Places";
import { Skip } from "./Skip";
import type { Send } from "./send";
import { With } from "./With";

type Props = {
  bench: Measure;
  check: Check;
  place: string | null;
  instrument: string | null;
  send: Send;
  onPlace: (place: string | null) => void;
  onInstrument: (key: string) => void;
};

/** One place at a time: which, with what, and its reading; the next place follows by itself. */
export function TakeReading({ bench, check, place, instrument, send, onPlace, onInstrument }: Props) {
  // what is keyed goes on to the next place at once; the answer may take its time
  const [sent, goesOn, comesBack] = useSent(check);
  const free = placeNow(check, place, sent);
  // a condition can be changed after it was given; a figure is read again only where one asks for the place
  const here = free ?? (check.kind === "grade" ? (check.places.at(-1)?.key ?? null) : null);
  const [text, setText] = useState("");
  const [unit, setUnit] = useState(() => lastUnit(check.name, check.units));
  const [trouble, setTrouble] = useState<string | null>(null);
  const [skipping, setSkipping] = useState(false);
  const keyed = useKeyed(bench.job, check.name, text, unit);
  const key =
    instrument && check.instruments.includes(instrument) ? instrument : (check.instruments[0] ?? "");
  const held = bench.instruments.find((each) => each.key === key);
  useKeypadFocus(check);
  const reread = useRereadBench(bench.job);

  const goTo = useRef(onPlace);
  goTo.current = onPlace;

  const read = async (reading: { typed?: string; grade?: string; skipped?: string; sure?: boolean }) => {
    if (!here) return;
    const taken = goesOn(here);
    setText("");
    setSkipping(false);
    onPlace(null);
    const refused = await send({
      read: { ...EMPTY, ...goesTo(check), place: here, unit, instrument: key, ...reading },
    });
    setTrouble(refused);
    if (!refused) return taken();
    comesBack(here);
    setText((now) => now || (reading.typed ?? ""));
    goTo.current(here);
  };

  // a place is picked for one reading; where none is, the bench says where a gauge's goes: it may be ahead of the screen
  const picked = useRef(place);
  useEffect(() => {
    picked.current = place;
  }, [place]);
  const gauge = useGauge(
    check.kind !== "grade" && held?.own && held.port ? held.key : "",
    async (event: GaugeEvent) => {
      const asked = picked.current;
      picked.current = null;
      const refused = await send({
        read: { ...EMPTY, ...goesTo(check), place: asked ?? "", instrument: key, event: event.number },
      });
      if (refused) setText(event.text);
      else onPlace(null);
      setTrouble(refused);
      beep(!refused);
      reread();
    },
  );

  useTakeBack(
    check.can_undo ? () => void send({ undo: check.name }) : null,
    check.can_redo ? () => void send({ redo: check.name }) : null,
  );
  const left = openPlaces(check, sent).length;
  return (
    <section aria-label={check.title} data-testid="taking" data-place={here ?? ""}>
      <h1 className="text-head font-bold">{check.title}</h1>
      <p className="mt-0.5 text-note text-soft">{check.how}</p>
      {here ? (
        <p
          className="mt-2 flex flex-wrap items-baseline justify-between gap-x-3 text-field"
          data-testid="place"
        >
          <span className="font-bold">
            {here === "Once" ? (check.kind === "grade" ? "One look" : "One reading") : here}
          </span>
          <span className="figure text-note text-soft">
            {check.places.length > 1 &&
              `${check.places.length - left + (openPlaces(check, sent).includes(here) ? 1 : 0)} of ${check.places.length}`}
          </span>
        </p>
      ) : (
        <p className="mt-2 text-field font-bold" data-testid="place">
          Every place is read.
        </p>
      )}
      {gauge && (
        <p className="my-1 border-l-4 border-now pl-3 text-note" role="status" data-testid="gauge">
          <span className="font-bold">{gauge.connected ? "Gauge connected." : "No gauge."}</span>{" "}
          {gauge.connected ? "Readings arrive by themselves." : gauge.says}
        </p>
      )}
      {check.kind === "sweep" && <Angles check={check} here={here} onPlace={onPlace} />}
      {here && check.kind === "grade" && (
        <div className="mt-3">
          <Grades check={check} place={here} onGrade={(grade) => void read({ grade })} />
        </div>
      )}
      {here && check.kind !== "grade" && (
        <div className="mt-2">
          <With bench={bench} check={check} now={key} onInstrument={onInstrument} />
          <Keypad
            text={text}
            unit={unit}
            units={check.units}
            keyed={keyed.data}
            label={`Reading at ${here}`}
            takes={here === "Once" ? "Take the reading" : `Take for ${here}`}
            onText={setText}
            onUnit={(unit) => {
              setUnit(unit);
              keepUnit(check.name, unit);
            }}
            onTake={(sure) => text.trim() && void read({ typed: text, sure })}
            onInstead={(typed) => void read({ typed })}
          />
        </div>
      )}
      <Refused why={trouble} className="mt-2" />
      <p className="mt-2 flex flex-wrap gap-1.5">
        <button
          type="button"
          className="button min-h-11"
          disabled={!check.can_undo}
          onClick={() => void send({ undo: check.name })}
        >
          Take back the last
        </button>
        {check.can_redo && (
          <button type="button" className="button min-h-11" onClick={() => void send({ redo: check.name })}>
            Bring it back
          </button>
        )}
        {here && (
          <button
            type="button"
            className="button min-h-11"
            aria-expanded={skipping}
            onClick={() => setSkipping(!skipping)}
          >
            Skip …
          </button>
        )}
        {check.grows && (
          <button type="button" className="button min-h-11" onClick={() => onPlace(pieceAfter(check))}>
            One more piece
          </button>
        )}
      </p>
      {skipping && <Skip onSkip={(skipped) => void read({ skipped })} />}
      {check.kind !== "sweep" && check.places.length > 1 && (
        <Places check={check} here={here} onPlace={onPlace} />
      )}
    </section>
  );
}

const EMPTY = {
  typed: "",
  unit: "",
  grade: "",
  skipped: "",
  instrument: "",
  sure: false,
  event: 0,
};

/** Which series a reading goes to, and what it is called: sent again, it counts once. */
const goesTo = (check: Check) => ({ check: check.name, series: check.series, request: requestName() });

/** The display takes what is typed on a keyboard as soon as a check is opened. */
function useKeypadFocus(check: Check) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: on another check the display is another one
  useEffect(() => {
    if (matchMedia("(pointer: fine)").matches)
      document.querySelector<HTMLInputElement>("[data-testid=keypad] input")?.focus({ preventScroll: true });
  }, [check.name]);
}
