import { useEffect, useRef } from "react";
import type { Keyed } from "@/api/client";
import { KEY_NAMES, PAD, press } from "@/lib/keypad";
import { bothSystems } from "@/lib/words";

type Props = {
  text: string;
  unit: string;
  units: readonly string[];
  keyed: Keyed | undefined;
  label: string;
  takes: string;
  onText: (text: string) => void;
  onUnit: (unit: string) => void;
  onTake: (sure: boolean) => void;
  onInstead: (typed: string) => void;
};

const KEY =
  "flex min-h-12 items-center justify-center rounded-cut border border-line bg-sheet text-head hover:border-ink active:bg-now-wash";

/** A figure typed while no field holds the keyboard is the reading: it goes on where the last key was. */
function useDigits(input: React.RefObject<HTMLInputElement | null>) {
  useEffect(() => {
    const take = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || !/^[0-9.,/-]$/.test(event.key)) return;
      const target = event.target as HTMLElement | null;
      if (target?.closest?.("input, textarea, select, [contenteditable]")) return;
      event.stopPropagation();
      const field = input.current;
      field?.focus(); // the key that is down types into what has the focus
      field?.setSelectionRange(field.value.length, field.value.length);
    };
    addEventListener("keydown", take, { capture: true });
    return () => removeEventListener("keydown", take, { capture: true });
  }, [input]);
}

/** One reading: large digits, keys for gloves, fractions and thou; what it was read as stands below. */
export function Keypad(props: Props) {
  const { text, unit, units, keyed, label, onText, onTake } = props;
  const input = useRef<HTMLInputElement>(null);
  useDigits(input);
  const typed = text.trim() !== "";
  const ready = typed && keyed?.value && !keyed.problem;
  return (
    <div data-testid="keypad">
      <label className="block">
        <span className="sr-only">{label}</span>
        <input
          ref={input}
          value={text}
          inputMode="none"
          autoComplete="off"
          spellCheck={false}
          placeholder="0"
          aria-describedby="keyed-says"
          onChange={(event) => onText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter") onTake(false);
            if (event.key === "Escape") onText("");
          }}
          className="figure h-16 w-full rounded-cut border-2 border-ink bg-sheet px-3 text-right text-digits font-bold placeholder:text-soft"
        />
      </label>
      <div className="flex min-h-11 flex-wrap items-center justify-between gap-x-3 gap-y-1 py-1.5">
        <fieldset className="flex gap-1">
          <legend className="sr-only">Unit of a bare number</legend>
          {units.filter(Boolean).map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={unit === each}
              onClick={() => props.onUnit(each)}
              className={`min-h-11 min-w-14 rounded-cut border px-2 ${
                unit === each ? "border-2 border-ink bg-ink font-bold text-paper" : "border-line bg-sheet"
              }`}
            >
              {each}
            </button>
          ))}
        </fieldset>
        <p id="keyed-says" className="text-right" aria-live="polite">
          {typed && keyed?.problem && <span className="text-note">{keyed.problem}</span>}
          {ready && keyed.value && <span className="figure text-soft">{bothSystems(keyed.value)}</span>}
        </p>
      </div>
      {typed && keyed?.question && (
        <div role="alert" className="mb-2 border-l-4 border-now pl-3">
          <p>{keyed.question}</p>
          <p className="flex flex-wrap gap-2 py-2">
            {keyed.instead.map((other) => (
              <button
                key={other}
                type="button"
                className="button min-h-11"
                onClick={() => props.onInstead(other)}
              >
                Take {other}
              </button>
            ))}
            <button type="button" className="button min-h-11" onClick={() => onTake(true)}>
              It is {keyed.typeset}
            </button>
          </p>
        </div>
      )}
      <div className="grid grid-cols-4 gap-1.5">
        {PAD.flat().map((key) => (
          <button
            key={key}
            type="button"
            className={`figure ${KEY}`}
            aria-label={KEY_NAMES[key] ?? key}
            onClick={() => onText(press(text, key))}
          >
            {key}
          </button>
        ))}
      </div>
      <div className="sticky bottom-0 z-10 -mx-1 bg-paper px-1 pt-1.5 pb-2">
        <button
          type="button"
          disabled={!ready || keyed.question !== ""}
          onClick={() => onTake(false)}
          className="flex min-h-14 w-full items-center justify-center rounded-cut border-2 border-ink bg-ink px-3 text-head font-bold text-paper disabled:border-hair disabled:bg-paper disabled:text-soft"
        >
          {props.takes}
        </button>
      </div>
    </div>
  );
}
