import type { Measure } from "@/api/client";
import { useJobEditor } from "@/lib/useJobEditor";

/** Figures typed before a part was said to be renewed: of the old one or of the new one? */
export function WhoseFigures({ bench }: { bench: Measure }) {
  const { actions } = useJobEditor();
  if (bench.figures.length === 0) return null;
  return (
    <section aria-labelledby="whose" data-testid="whose-figures">
      <h2 id="whose" className="border-b border-ink pb-1 text-head font-bold">
        Old part or new part?
      </h2>
      {bench.figures.map(({ part, label, choice, figures, options }) => (
        <div key={part} className="border-b border-hair py-2" data-part={part}>
          <p>
            <b>{label}</b> is renewed. Its figures were typed before that. Which part are they of?
          </p>
          <p className="text-note text-soft">{figures.join("; ")}</p>
          <p className="flex flex-wrap gap-2 pt-1">
            {options.map((option) => (
              <button
                key={option.name}
                type="button"
                className="button min-h-11"
                onClick={() => actions.put([{ quantity: choice, typed: option.name }])}
              >
                {option.label}
              </button>
            ))}
          </p>
        </div>
      ))}
    </section>
  );
}
