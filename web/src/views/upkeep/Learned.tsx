import { useLearned } from "@/api/upkeep";

/** What the shop's own jobs teach, each figure with its spread and how many jobs it rests on. */
export function Learned() {
  const found = useLearned().data;
  if (!found) return null;
  const nothing = found.steps.length + found.parts.length + found.wear.length === 0;
  return (
    <section aria-labelledby="learned" data-testid="learned">
      <h2 id="learned" className="mt-6 border-b border-ink pb-1 text-head font-bold">
        What this shop has learned
      </h2>
      <p className="py-2">
        From its own jobs, the newest 200; nothing is said from fewer than {found.least}. Middle of them, a
        quarter below and a quarter above what stands in brackets.
      </p>
      {nothing && (
        <p className="text-soft">
          Nothing yet. Ticks in Fit, fates of parts and readings with mileage add to it.
        </p>
      )}
      <table className="w-full">
        <tbody>
          {found.steps.map((step) => (
            <tr key={step.key} className="border-b border-hair align-baseline">
              <th scope="row" className="py-1 text-left font-normal">
                {step.title}
              </th>
              <td className="figure py-1 text-right">
                {step.minutes.toFixed(0)} min ({step.low.toFixed(0)} to {step.high.toFixed(0)})
              </td>
              <td className="py-1 pl-3 text-note text-soft">
                {step.jobs} jobs; {step.usual} min from memory
              </td>
            </tr>
          ))}
          {found.parts.map((part) => (
            <tr key={part.part} className="border-b border-hair align-baseline">
              <th scope="row" className="py-1 text-left font-normal">
                {part.label}, left as it was
              </th>
              <td className="figure py-1 text-right">
                {part.back} of {part.jobs} came back
              </td>
              <td />
            </tr>
          ))}
          {found.wear.map((wear) => (
            <tr key={wear.use} className="border-b border-hair align-baseline">
              <th scope="row" className="py-1 text-left font-normal">
                Wear of a face or plate, {wear.label.toLowerCase()}
              </th>
              <td className="figure py-1 text-right">
                {wear.per_distance.toFixed(0)} µm in 1,000 km ({wear.low.toFixed(0)} to {wear.high.toFixed(0)}
                )
              </td>
              <td className="py-1 pl-3 text-note text-soft">{wear.jobs} pairs of readings</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
