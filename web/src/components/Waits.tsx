import { readRefused, useRefused, useWaiting } from "@/lib/waiting";

/** What waits in this tab until the server can take it, and why; what it refused of what had waited. */
export function Waits() {
  const { count, why } = useWaiting();
  const refused = useRefused();
  return (
    <>
      {refused.length > 0 && (
        <div role="alert" className="shrink-0 border-b border-ink bg-sheet px-5 py-2 font-semibold no-print">
          {refused.map((sentence) => (
            <p key={sentence}>▲ Had waited, and was not taken: {sentence}</p>
          ))}
          <button type="button" className="button mt-1" onClick={readRefused}>
            Read
          </button>
        </div>
      )}
      {count > 0 && (
        <p role="status" className="shrink-0 border-b border-ink bg-sheet px-5 py-2 font-semibold no-print">
          ▲ {why.split(". ")[0]}. {count === 1 ? "One thing waits" : `${count} things wait`} in this tab and{" "}
          {count === 1 ? "is" : "are"} sent again, also after a reload or once the tab is closed; go on
          reading.
        </p>
      )}
    </>
  );
}
