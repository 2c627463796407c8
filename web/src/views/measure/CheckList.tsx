import { useEffect, useRef } from "react";
import type { Check, Measure } from "@/api/client";
import { Mark, useVerdictWords } from "./marks";

type Props = { bench: Measure; now: string; onCheck: (name: string) => void };

/** Every check of the job's layout, part by part, each with its verdict. */
export function CheckList({ bench, now, onCheck }: Props) {
  const asked = bench.checks.filter(
    (check) => check.in_scope || check.finding.taken > 0 || check.name === now,
  );
  const folded = bench.checks.filter((check) => !asked.includes(check));
  return (
    <nav aria-label="Checks" data-testid="checks">
      <ByPart checks={asked} now={now} onCheck={onCheck} />
      {folded.length > 0 && (
        <details>
          <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
            Not asked for on this job: {folded.length}
          </summary>
          <ByPart checks={folded} now={now} onCheck={onCheck} />
        </details>
      )}
    </nav>
  );
}

function ByPart({
  checks,
  now,
  onCheck,
}: {
  checks: readonly Check[];
  now: string;
  onCheck: (name: string) => void;
}) {
  const parts = [...new Set(checks.map((check) => check.part_label))];
  return parts.map((part) => (
    <section key={part} className="mb-3">
      <h2 className="lettering border-b border-ink pb-0.5">{part}</h2>
      {checks
        .filter((check) => check.part_label === part)
        .map((check) => (
          <Line key={check.name} check={check} now={check.name === now} onCheck={onCheck} />
        ))}
    </section>
  ));
}

function Line({ check, now, onCheck }: { check: Check; now: boolean; onCheck: (name: string) => void }) {
  const verdictWord = useVerdictWords();
  const { finding } = check;
  const line = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (now) line.current?.scrollIntoView({ block: "nearest" });
  }, [now]);
  const begun = finding.taken > 0 && finding.taken < finding.wanted;
  return (
    <button
      ref={line}
      type="button"
      aria-current={now}
      data-check={check.name}
      data-verdict={finding.verdict}
      onClick={() => onCheck(check.name)}
      className={`grid min-h-11 w-full grid-cols-[1fr_auto] items-center gap-2 border-b border-hair px-1 py-1 text-left leading-tight ${
        now ? "border-l-4 border-l-now bg-sheet pl-2 font-bold" : "hover:bg-sheet"
      }`}
    >
      <span>
        {check.label}
        {check.of !== "both" && (
          <span className="block text-note font-normal text-soft">
            {check.of === "found" ? "of what comes out" : "of what goes in"}
          </span>
        )}
      </span>
      <span
        className={`flex items-center gap-1.5 text-note ${finding.verdict === "open" ? "font-normal text-soft" : "font-bold"}`}
      >
        {finding.verdict === "open" && begun
          ? `${finding.taken} of ${finding.wanted}`
          : verdictWord(finding.verdict)}
        <Mark verdict={finding.verdict} className="size-3.5" />
      </span>
    </button>
  );
}
