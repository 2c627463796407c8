/** What of a job's record or plan cannot be read or has no place: it is left out, and says so. */
export function LeftOut({ sentences }: { sentences: readonly string[] }) {
  if (sentences.length === 0) return null;
  return (
    <div role="note" className="mb-2 border-b border-ink bg-sheet px-4 py-2 no-print" data-testid="left-out">
      {sentences.map((sentence) => (
        <p key={sentence}>▲ {sentence}.</p>
      ))}
    </div>
  );
}
