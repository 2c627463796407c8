import { useEffect, useState } from "react";
import type { Prove } from "@/api/prove";
import { beep } from "@/lib/beep";

type Method = Prove["bleeding"]["methods"][number];
type Step = Method["steps"][number];

/** A way to bleed, step by step: who does what, how long it is held, and a large button. */
export function BleedSteps({
  method,
  onTick,
}: {
  method: Method;
  onTick: (key: string, done: boolean) => void;
}) {
  const next = method.steps.find(({ done }) => !done);
  return (
    <ol className="py-2" data-testid="bleed-steps">
      {method.steps.map((step, at) => (
        <li key={step.key} className="border-b border-hair py-1.5" data-done={step.done}>
          <div className={`flex gap-3 ${step === next ? "text-field font-semibold" : "text-soft"}`}>
            <span className="figure w-6 shrink-0 text-right">{step.done ? "✓" : at + 1}</span>
            <div className="grow">
              {step.helper && <b>At the screw: </b>}
              {step.you}
              {step.helper && (
                <p>
                  <b>At the pedal: </b>
                  {step.helper}
                </p>
              )}
            </div>
            {step.done && (
              <button
                type="button"
                className="plain-link min-h-6 text-note"
                onClick={() => onTick(step.key, false)}
              >
                Take back
              </button>
            )}
          </div>
          {step === next && <Now key={step.key} step={step} onDone={() => onTick(step.key, true)} />}
        </li>
      ))}
    </ol>
  );
}

/** The step at hand: a clock where it is held for a time, and the button. */
function Now({ step, onDone }: { step: Step; onDone: () => void }) {
  const [until, setUntil] = useState<number | null>(null);
  const [now, setNow] = useState(Date.now());
  const left = until === null ? step.seconds : Math.max(0, Math.ceil((until - now) / 1000));
  useEffect(() => {
    if (until === null) return;
    const timer = setInterval(() => {
      setNow(Date.now());
      if (Date.now() >= until) {
        clearInterval(timer);
        beep(true);
      }
    }, 250);
    return () => clearInterval(timer);
  }, [until]);
  return (
    <div className="flex flex-wrap items-center gap-3 py-2 pl-9">
      {step.seconds > 0 && (
        <>
          <span className="figure text-big" role="timer">
            {Math.floor(left / 60)}:{String(left % 60).padStart(2, "0")}
          </span>
          {until === null && (
            <button
              type="button"
              className="button min-h-12"
              onClick={() => {
                setNow(Date.now());
                setUntil(Date.now() + step.seconds * 1000);
              }}
            >
              Begin the time
            </button>
          )}
        </>
      )}
      <button type="button" className="button min-h-14 grow text-head" onClick={onDone}>
        Done
      </button>
    </div>
  );
}
