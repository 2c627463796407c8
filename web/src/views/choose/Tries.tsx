import { Slide } from "@/components/Slide";
import { useJobEditor } from "@/lib/useJobEditor";

const TRIES = [
  { quantity: "trapped_air", label: "Trapped air", unit: "mL", most: 5, step: 0.25 },
  { quantity: "hose_swell", label: "Hose swell", unit: "mm³/MPa", most: 200, step: 10 },
];

/** Faults to try on the drawing without entering them: air in the line, a soft hose. */
export function Tries({ compact = false }: { compact?: boolean }) {
  const editor = useJobEditor();
  const offered = TRIES.filter(({ quantity }) => editor.field(quantity));
  if (offered.length === 0) return null;
  return (
    <section
      aria-label="Try a fault"
      className={
        compact
          ? "grid w-[24rem] grid-cols-[auto_1fr_1fr] items-center gap-x-3"
          : "mt-2 border-t border-hair pt-1 tablet:max-w-[30rem]"
      }
    >
      <p className="flex min-h-7 items-center text-note font-semibold">Try a fault</p>
      {offered.map(({ quantity, label, unit, most, step }) => {
        const typed = editor.trial[quantity];
        return (
          <div
            key={quantity}
            className={
              compact ? "-my-1 text-note" : "-my-2 grid grid-cols-[9.5rem_1fr] items-center gap-2 text-note"
            }
          >
            <span className={typed ? "text-now" : undefined}>
              {label}{" "}
              <span className="figure" data-try={quantity}>
                {typed ?? "as entered"}
              </span>
            </span>
            <Slide
              label={`Try ${label.toLowerCase()}`}
              value={Number.parseFloat(typed ?? "0") || 0}
              words={typed ?? "as entered"}
              most={most}
              step={step}
              onValue={(next) => editor.try(quantity, next > 0 ? `${next} ${unit}` : null)}
            />
          </div>
        );
      })}
    </section>
  );
}
