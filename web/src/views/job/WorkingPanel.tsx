import type { WorkingStep } from "@/api/client";
import { useWorking } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Formula } from "@/components/Formula";
import { Panel } from "@/components/Panel";
import { useAddress } from "@/lib/address";
import { useJobEditor } from "@/lib/useJobEditor";

const PLACES = [
  { value: "-1", label: "low friction" },
  { value: "0", label: "nominal" },
  { value: "1", label: "high friction" },
];

/** How a number came about, down to the inputs. */
export function WorkingPanel({ quantity, onClose }: { quantity: string; onClose: () => void }) {
  const editor = useJobEditor();
  const [search, put] = useAddress();
  const friction = search.get("friction") ?? "0";
  const planned = search.get("stage") !== "now";
  const working = useWorking(
    editor.entered.id,
    editor.entered.revision,
    quantity,
    planned,
    Number(friction),
    editor.looked,
  );
  const first = working.data?.steps[0];
  return (
    <Panel title={first ? `Working: ${first.label.toLowerCase()}` : "Working"} onClose={onClose}>
      <div className="flex flex-wrap gap-x-6 gap-y-2 pb-3">
        <Switch
          label="Friction"
          options={PLACES}
          value={friction}
          onPick={(value) => put({ friction: value })}
        />
        {editor.entered.has_plan && (
          <Switch
            label="Stage"
            options={[
              { value: "planned", label: "planned" },
              { value: "now", label: "as it is" },
            ]}
            value={planned ? "planned" : "now"}
            onPick={(value) => put({ stage: value })}
          />
        )}
      </div>
      {working.error && <p role="alert">{working.error.message}</p>}
      <ol>
        {working.data?.steps.map((step) => (
          <Step key={step.name} step={step} />
        ))}
      </ol>
    </Panel>
  );
}

type SwitchProps = {
  label: string;
  options: { value: string; label: string }[];
  value: string;
  onPick: (value: string) => void;
};

function Switch({ label, options, value, onPick }: SwitchProps) {
  return (
    <fieldset className="flex flex-wrap items-center gap-3">
      <legend className="sr-only">{label}</legend>
      {options.map((option) => (
        <label key={option.value} className="flex min-h-9 items-center gap-1.5">
          <input
            type="radio"
            name={label}
            checked={option.value === value}
            onChange={() => onPick(option.value)}
            className="size-4 accent-now"
          />
          {option.label}
        </label>
      ))}
    </fieldset>
  );
}

function Step({ step }: { step: WorkingStep }) {
  return (
    <li id={`step-${step.name}`} className="border-t border-ink py-3">
      <div className="flex items-baseline justify-between gap-4">
        <h3 className="font-bold">{step.label}</h3>
        <p className="text-right font-bold">
          {step.value ? <Figure value={step.value} /> : (step.words ?? "no value yet")}
        </p>
      </div>
      <p className="text-note text-soft">{step.meaning}</p>
      {step.formula && (
        <p className="figure my-2 border-l-4 border-ink pl-3">
          <Formula text={step.formula} />
        </p>
      )}
      {step.terms.length > 0 && (
        <table className="w-full text-note">
          <caption className="sr-only">Terms of {step.label}</caption>
          <tbody>
            {step.terms.map((term) => (
              <tr key={term.name} className="align-top [&_td]:py-1 [&_th]:py-1">
                <th scope="row" className="figure w-16 pr-2 text-left font-normal">
                  <Formula text={term.symbol} />
                </th>
                <td className="pr-2">
                  {term.mark === "worked out" ? (
                    <a className="plain-link inline-block min-h-6" href={`#step-${term.name}`}>
                      {term.label}
                    </a>
                  ) : (
                    term.label
                  )}
                  <Origin mark={term.mark} typed={term.typeset} why={term.why} />
                </td>
                <td className="figure text-right">
                  {term.words ?? (term.value ? <Figure value={term.value} /> : "—")}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-1 text-note text-soft">
        [{step.mark}] {step.source}
        {step.holds && (
          <>
            {" "}
            · holds for <Formula text={step.holds} />
          </>
        )}
      </p>
    </li>
  );
}

function Origin({ mark, typed, why }: { mark: string; typed: string | null; why: string }) {
  if (mark === "worked out") return null;
  if (mark === "state") return <span className="text-soft"> as looked at</span>;
  return (
    <span className="text-soft">
      {` ${mark}`}
      {typed && (
        <>
          {" "}
          as <span className="figure text-ink">{typed}</span>
        </>
      )}
      {why && <>: {why}</>}
    </span>
  );
}
