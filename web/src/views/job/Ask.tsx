import { useDeferredValue, useState } from "react";
import type { Asked, Sought } from "@/api/client";
import { useAsk } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Panel } from "@/components/Panel";
import { first } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";

/** A result asked backwards: what would each quantity have to be for the target? */
export function Ask({ result, onClose }: { result: string; onClose: () => void }) {
  const editor = useJobEditor();
  const [target, setTarget] = useState("");
  const asked = useAsk(
    editor.entered.id,
    editor.entered.revision,
    editor.looked,
    result,
    useDeferredValue(target),
  );
  const label = editor.shown.results.find((r) => r.name === result)?.label ?? "the result";
  return (
    <Panel title="Ask it backwards" onClose={onClose}>
      <p>
        What would each quantity have to be, alone, for <b>{label.toLowerCase()}</b> to reach the target?
      </p>
      <label className="mt-3 flex items-center gap-3 font-semibold">
        Target
        <input
          value={target}
          onChange={(event) => setTarget(event.target.value)}
          placeholder={asked.data && !target ? `${first(asked.data.target).figure}, as asked for` : "1.3"}
          autoComplete="off"
          className="figure h-11 w-48 rounded-cut border border-line bg-paper px-3 text-field placeholder:text-soft placeholder:italic"
        />
      </label>
      <div aria-live="polite" className="mt-4">
        {asked.error ? (
          <p className="font-semibold">▲ {asked.error.message}</p>
        ) : asked.data ? (
          <Answers asked={asked.data} />
        ) : (
          <p>Asking …</p>
        )}
      </div>
    </Panel>
  );
}

function Answers({ asked }: { asked: Asked }) {
  if (asked.sought.length === 0) return <p>It has no value yet, or nothing that may be changed moves it.</p>;
  return (
    <>
      <p className="text-note text-soft">For the {asked.at}; everything else stays as it is.</p>
      <ul className="mt-1">
        {asked.sought.map((sought) => (
          <Answer key={sought.name} sought={sought} />
        ))}
      </ul>
    </>
  );
}

function Answer({ sought }: { sought: Sought }) {
  const editor = useJobEditor();
  const nearest = sought.values[0];
  return (
    <li
      className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-t border-hair py-2.5"
      data-sought={sought.name}
    >
      <div>
        <p className="font-semibold">{sought.label}</p>
        {nearest ? (
          <p>
            {sought.at_least ? "at least " : "at most "}
            {sought.values.map((value, i) => (
              <span key={value.si} className="font-bold">
                {i > 0 && " or "}
                <Figure value={value} />
              </span>
            ))}
          </p>
        ) : (
          <p>
            alone not enough: it gets to <span className="font-bold">{first(sought.best).figure}</span> at{" "}
            <Figure value={sought.best_at} />
          </p>
        )}
        {sought.present && (
          <p className="text-note text-soft">
            now <Figure value={sought.present} />
          </p>
        )}
      </div>
      {sought.can_enter && sought.typed[0] && (
        <button
          type="button"
          className="button"
          aria-label={`Enter ${sought.typed[0]} as ${sought.label.toLowerCase()}`}
          onClick={() => editor.put([{ quantity: sought.name, typed: sought.typed[0] ?? null }])}
        >
          Enter {sought.typed[0]}
        </button>
      )}
    </li>
  );
}
