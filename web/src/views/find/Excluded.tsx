import type { Find } from "@/api/client";

const percent = (share: number) => (share < 0.005 ? "< 1 %" : `${(share * 100).toFixed(0)} %`);

export function Excluded({ find }: { find: Find }) {
  if (find.excluded.length === 0 || find.done === 0) return null;
  return (
    <ul className="mt-2 flex flex-wrap gap-x-6 gap-y-0.5 text-note" aria-label="What ruled the rest out">
      {find.excluded.map((limit) => (
        <li key={limit.name}>
          <span className="figure font-bold">{percent(limit.count / find.done)}</span> {limit.says}
        </li>
      ))}
    </ul>
  );
}
