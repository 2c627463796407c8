import { Outlet, useSearchParams } from "react-router";
import { useBenchChange, useMeasure, type Whose } from "@/api/measure";
import { LeftOut } from "@/components/LeftOut";
import { Tabs } from "@/components/Tabs";
import { BUILD, useAddress } from "@/lib/address";
import { useJobEditor } from "@/lib/useJobEditor";
import type { Bench } from "./BenchView";
import { Mark, useVerdictWords } from "./marks";
import { Person } from "./Person";
import type { Send } from "./send";

const VIEWS = [
  { to: "bench", label: "Bench" },
  { to: "decide", label: "Decide" },
  { to: "history", label: "History" },
];

/** Measure: readings on the bench, what to do about them, and what was read before. */
export function Measure() {
  const verdictWord = useVerdictWords();
  const { entered } = useJobEditor();
  const [search] = useSearchParams();
  const build: Whose = search.get(BUILD) === "planned" ? "planned" : "found";
  const bench = useMeasure(entered.id, entered.revision, build);
  const change = useBenchChange(entered.id, entered.revision, build);
  const send: Send = async (what) => {
    try {
      await change.mutateAsync(what);
      return null;
    } catch (error) {
      return error instanceof Error ? error.message : "That could not be taken.";
    }
  };
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex shrink-0 items-center gap-1 overflow-x-auto border-b border-ink px-4">
        <Tabs label="Measure" views={VIEWS} search={build === "planned" ? `?${BUILD}=planned` : ""} />
        {bench.data && <Person people={bench.data.people} />}
        {bench.data && bench.data.apart.length > 0 && <WhosePart apart={bench.data.apart} build={build} />}
        {bench.data && bench.data.worst !== "open" && (
          <p className="ml-auto flex items-center gap-2 whitespace-nowrap pl-3 text-note">
            <span className="hidden tablet:inline">Worst so far:</span>
            <Mark verdict={bench.data.worst} className="size-3.5" />
            <b>{verdictWord(bench.data.worst)}</b>
          </p>
        )}
      </div>
      <LeftOut sentences={bench.data?.left_out ?? []} />
      <div className="min-h-0 grow">
        {bench.data ? (
          <Outlet context={{ bench: bench.data, send } satisfies Bench} />
        ) : (
          <p className="p-8">{bench.error?.message ?? "Laying out the bench …"}</p>
        )}
      </div>
    </div>
  );
}

/** Of parts that are renewed, what comes out and what goes in are read apart. */
function WhosePart({ apart, build }: { apart: string[]; build: Whose }) {
  const [, put] = useAddress();
  return (
    <label className="flex min-h-11 items-center gap-2 whitespace-nowrap text-note">
      Readings of
      <select
        aria-label="Readings of"
        value={build}
        title={`Read apart: ${apart.join(", ")}. What stays is one part.`}
        onChange={(event) => put({ [BUILD]: event.target.value === "planned" ? "planned" : null })}
        className="h-9 rounded-cut border border-line bg-sheet px-1 font-semibold"
      >
        <option value="found">what comes out</option>
        <option value="planned">what goes in</option>
      </select>
    </label>
  );
}
