import { useState } from "react";

const REASONS = ["cannot be reached", "not there", "already scrap"];

export function Skip({ onSkip }: { onSkip: (reason: string) => void }) {
  const [reason, setReason] = useState("");
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        onSkip(reason);
      }}
    >
      {REASONS.map((each) => (
        <button key={each} type="button" className="button min-h-11" onClick={() => onSkip(each)}>
          {each}
        </button>
      ))}
      <input
        aria-label="Reason for skipping"
        placeholder="another reason"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        className="h-11 min-w-32 grow rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
      />
      <button type="submit" className="button min-h-11" disabled={!reason.trim()}>
        Skip
      </button>
    </form>
  );
}
