import type { Check } from "@/api/client";
import { Mark, Profile, useVerdictWords } from "./marks";

/** Conditions by picture and word, where there is nothing to measure. */
export function Grades({
  check,
  place,
  onGrade,
}: {
  check: Check;
  place: string;
  onGrade: (grade: string) => void;
}) {
  const verdictWord = useVerdictWords();
  const now = check.readings.filter((reading) => reading.place === place).at(-1);
  return (
    <div className="grid gap-2" data-testid="grades">
      {check.grades.map((grade) => (
        <button
          key={grade.value}
          type="button"
          aria-pressed={now?.typed === grade.word}
          onClick={() => onGrade(grade.value)}
          className={`grid min-h-16 grid-cols-[auto_1fr_auto] items-center gap-4 rounded-cut border px-3 py-2 text-left hover:border-ink ${
            now?.typed === grade.word ? "border-2 border-ink bg-sheet" : "border-line bg-sheet"
          }`}
        >
          <Profile picture={check.picture} level={grade.level} />
          <span>
            <span className="block text-field font-bold">{grade.word}</span>
            <span className="text-note">{grade.says}</span>
          </span>
          <span className="flex items-center gap-1.5 text-note">
            {verdictWord(grade.verdict)} <Mark verdict={grade.verdict} className="size-3.5" />
          </span>
        </button>
      ))}
    </div>
  );
}
