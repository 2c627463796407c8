import { useEffect, useRef, useState } from "react";
import type { Check, GaugeEvent, Measure } from "@/api/client";
import { useKeyed, useRereadBench } from "@/api/measure";
import { beep } from "@/lib/beep";
import { openPlaces, pieceAfter, placeNow } from "@/lib/keypad";
import { useGauge } from "@/lib/useGauge";
import { day } from "@/lib/words";
import { Grades } from "./Grades";
import { Keypad } from "./Keypad";
import type { Send } from "./send";

type Props = {
  bench: Measure;
  check: Check;
  place: string | null;
  instrument: string | null;
  send: Send;
  onPlace: (place: string | null) => void;
  onInstrument: (key: string) => void;
};

const REASONS = ["cannot be reached", "not there", "already scrap"];

/** One place at a time: which, with what, and its reading; the next place follows by itself. */
export function TakeReading({ bench, check, place, instrument, send, onPlace, onInstrument }: Props) {
  // what is keyed goes on to the next place at once; the answer may take its time
  const [sent, goesOn, comesBack] = useSent(check);
  const free = placeNow(check, place, sent);
  // a condition can be changed after it was given; a figure is read again only where one asks for the place
  const here = free ?? (check.kind === "grade" ? (check.places.at(-1)?.key ?? null) : null);
  const [text, setText] = useState("");
  const [unit, setUnit] = useState(check.units[0] ?? "");
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
      read: { ...EMPTY, check: check.name, place: here, unit, instrument: key, ...reading },
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
  const gauge = useGauge(check.kind === "grade" ? "" : (held?.port ?? ""), async (event: GaugeEvent) => {
    const asked = picked.current;
    picked.current = null;
    const port = held?.port ?? "";
    const refused = await send({
      read: { ...EMPTY, check: check.name, place: asked ?? "", instrument: key, port, event: event.number },
    });
    if (refused) setText(event.text);
    else onPlace(null);
    setTrouble(refused);
    beep(!refused);
    reread();
  });

  useTakeBack(
    check.can_undo ? () => void send({ undo: check.name }) : null,
    check.can_redo ? () => void send({ redo: check.name }) : null,
  );
  const left = openPlaces(check, sent).length;
  return (
    <section aria-label="Reading" data-testid="taking" data-place={here ?? ""}>
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
            onUnit={setUnit}
            onTake={(sure) => text.trim() && void read({ typed: text, sure })}
            onInstead={(typed) => void read({ typed })}
          />
        </div>
      )}
      {trouble && (
        <p role="alert" className="mt-2 font-semibold">
          ▲ {trouble}
        </p>
      )}
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

/** The places a reading is on its way to; each counts until the bench shows its reading, or it was refused. */
function useSent(check: Check): [readonly string[], (place: string) => () => void, (place: string) => void] {
  const [sent, setSent] = useState<readonly { place: string; taken: boolean }[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was taken is shown once the readings are others
  useEffect(() => setSent((now) => now.filter((each) => !each.taken)), [check.readings]);
  const without = (place: string) => setSent((now) => now.filter((each) => each.place !== place));
  const add = (place: string) => {
    setSent((now) => [...now, { place, taken: false }]);
    return () => setSent((now) => now.map((each) => (each.place === place ? { place, taken: true } : each)));
  };
  return [sent.map((each) => each.place), add, without];
}

const EMPTY = {
  typed: "",
  unit: "",
  grade: "",
  skipped: "",
  instrument: "",
  sure: false,
  port: "",
  event: 0,
};

/** On the bench Ctrl Z takes back the last reading and Ctrl Y brings it back, not the last entry of the job; in a field
 *  that holds text they stay what they are there. */
function useTakeBack(takeBack: (() => void) | null, bringBack: (() => void) | null) {
  const now = useRef({ takeBack, bringBack });
  now.current = { takeBack, bringBack };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase();
      if (!(event.ctrlKey || event.metaKey) || (key !== "z" && key !== "y")) return;
      if (event.target instanceof HTMLInputElement && event.target.value !== "") return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const back = key === "y" || event.shiftKey;
      (back ? now.current.bringBack : now.current.takeBack)?.();
    };
    addEventListener("keydown", onKey, { capture: true });
    return () => removeEventListener("keydown", onKey, { capture: true });
  }, []);
}

/** The display takes what is typed on a keyboard as soon as a check is opened. */
function useKeypadFocus(check: Check) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: on another check the display is another one
  useEffect(() => {
    if (matchMedia("(pointer: fine)").matches)
      document.querySelector<HTMLInputElement>("[data-testid=keypad] input")?.focus({ preventScroll: true });
  }, [check.name]);
}

function With({
  bench,
  check,
  now,
  onInstrument,
}: {
  bench: Measure;
  check: Check;
  now: string;
  onInstrument: (key: string) => void;
}) {
  if (check.instruments.length === 0) return null;
  const held = bench.instruments.find((each) => each.key === now);
  return (
    <>
      <label className="mb-2 flex items-center gap-2 text-note">
        <span className="font-semibold">With</span>
        <select
          value={now}
          onChange={(event) => onInstrument(event.target.value)}
          className="h-11 min-w-0 grow rounded-cut border border-line bg-sheet px-2 text-body"
        >
          {check.instruments.map((key) => {
            const each = bench.instruments.find((one) => one.key === key);
            return (
              <option key={key} value={key}>
                {each?.label} ± {each?.uncertainty.metric.figure} {each?.uncertainty.metric.unit}
                {each?.port ? ", data port" : ""}
              </option>
            );
          })}
        </select>
      </label>
      {held?.warns ? (
        <p className="mb-2 text-note font-semibold" data-testid="calibration">
          ▲ {held.label}: {held.warns}.
        </p>
      ) : (
        held?.calibrated_on && (
          <p className="mb-2 text-note text-soft">Calibrated {day(held.calibrated_on)}</p>
        )
      )}
    </>
  );
}

function Skip({ onSkip }: { onSkip: (reason: string) => void }) {
  const [reason, setReason] = useState("");
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        onSkip(reason);
      }}
    >
      {REASONS.map((each) => (
        <button key={each} type="button" className="button min-h-11" onClick={() => onSkip(each)}>
          {each}
        </button>
      ))}
      <input
        aria-label="Reason for skipping"
        placeholder="another reason"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        className="h-11 min-w-32 grow rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
      />
      <button type="submit" className="button min-h-11" disabled={!reason.trim()}>
        Skip
      </button>
    </form>
  );
}

/** Every place as a key: what is read, what is left; press one to read it again. */
function Places({
  check,
  here,
  onPlace,
}: {
  check: Check;
  here: string | null;
  onPlace: (place: string) => void;
}) {
  const read = new Map(check.readings.map((reading) => [reading.place, reading]));
  const spotted = check.places.some((place) => place.spot);
  const rows = spotted ? [...new Set(check.places.map((place) => place.item))] : [null];
  return (
    <details className="mt-3" open={here === null} data-testid="places">
      <summary className="min-h-11 content-center text-note font-semibold">All places</summary>
      {rows.map((item) => (
        <div key={item} className="flex flex-wrap items-center gap-1 py-0.5">
          {item && <span className="w-24 text-note">{item}</span>}
          {check.places
            .filter((place) => item === null || place.item === item)
            .map((place) => {
              const reading = read.get(place.key);
              const name = place.spot || (place.item === "Once" ? check.label : place.item);
              return (
                <button
                  key={place.key}
                  type="button"
                  aria-label={place.key}
                  aria-current={here === place.key}
                  onClick={() => onPlace(place.key)}
                  className={`min-h-11 min-w-11 rounded-cut border px-2 text-left text-note leading-tight ${
                    here === place.key ? "border-2 border-now bg-now-wash font-bold" : "border-line"
                  }`}
                >
                  {reading && <span className="block text-soft">{name}</span>}
                  {reading?.skipped ? "skipped" : (reading?.typed ?? name)}
                </button>
              );
            })}
        </div>
      ))}
    </details>
  );
}

/** The angles of a sweep, in the order they are gone round; others may be typed. */
function Angles({
  check,
  here,
  onPlace,
}: {
  check: Check;
  here: string | null;
  onPlace: (place: string) => void;
}) {
  const [typed, setTyped] = useState("");
  const read = new Set(check.readings.map((reading) => reading.place));
  return (
    <div className="mt-1 flex flex-wrap gap-1" data-testid="angles">
      {check.places.map((place) => (
        <button
          key={place.key}
          type="button"
          aria-current={here === place.key}
          onClick={() => onPlace(place.key)}
          className={`figure min-h-11 min-w-11 rounded-cut border px-1.5 ${
            here === place.key
              ? "border-2 border-now bg-now-wash font-bold"
              : read.has(place.key)
                ? "border-ink"
                : "border-line text-soft"
          }`}
        >
          {place.key}
        </button>
      ))}
      <input
        aria-label="Another angle"
        placeholder="other °"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          const angle = Number.parseFloat(typed.replace(",", "."));
          if (event.key !== "Enter" || !(angle >= 0 && angle < 360)) return;
          onPlace(`${angle}°`);
          setTyped("");
        }}
        className="figure h-11 w-20 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
      />
    </div>
  );
}
