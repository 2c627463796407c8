import { useEffect, useRef } from "react";
import type { Check, Measure } from "@/api/client";
import { Mark, VERDICT_WORDS } from "./marks";

type Props = { bench: Measure; now: string; onCheck: (name: string) => void };

/** Every check of the job's layout, part by part, each with its verdict. */
export function CheckList({ bench, now, onCheck }: Props) {
  const parts = [...new Set(bench.checks.map((check) => check.part))];
  return (
    <nav aria-label="Checks" data-testid="checks">
      {parts.map((part) => (
        <section key={part} className="mb-3">
          <h2 className="lettering border-b border-ink pb-0.5">{part}</h2>
          {bench.checks
            .filter((check) => check.part === part)
            .map((check) => (
              <Line key={check.name} check={check} now={check.name === now} onCheck={onCheck} />
            ))}
        </section>
      ))}
    </nav>
  );
}

function Line({ check, now, onCheck }: { check: Check; now: boolean; onCheck: (name: string) => void }) {
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
          : VERDICT_WORDS[finding.verdict]}
        <Mark verdict={finding.verdict} className="size-3.5" />
      </span>
    </button>
  );
}
