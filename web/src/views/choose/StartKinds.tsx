import type { Launch } from "@/api/client";
import { first } from "@/lib/units";

export function Kinds({ launch }: { launch: Launch }) {
  return (
    <table className="w-full self-start text-note" data-testid="kinds">
      <caption className="border-b border-ink pb-1 text-left text-head font-bold">Kinds of start</caption>
      <thead>
        <tr className="text-left text-soft">
          <th className="font-normal">with this build</th>
          <th className="font-normal">ends</th>
          <th className="text-right font-normal">slips</th>
          <th className="text-right font-normal">heat</th>
        </tr>
      </thead>
      <tbody>
        {launch.kinds.map((kind) => (
          <tr
            key={kind.name}
            className={`border-b border-hair ${kind.name === launch.start?.name ? "font-bold" : ""}`}
          >
            <th scope="row" className="py-1 text-left font-[inherit]">
              {kind.label}
            </th>
            <td>{kind.outcome === "spins" ? "tyres spin" : kind.outcome}</td>
            <td className="figure text-right">
              {first(kind.slip_time).figure} {first(kind.slip_time).unit}
            </td>
            <td className="figure text-right">
              {first(kind.energy).figure} {first(kind.energy).unit}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
