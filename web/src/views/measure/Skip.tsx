import { useForm } from "@/lib/useForm";

const REASONS = ["cannot be reached", "not there", "already scrap"];

export function Skip({ onSkip }: { onSkip: (reason: string) => void }) {
  const form = useForm({ reason: "" }, async ({ reason }) => {
    onSkip(reason);
    return null;
  });
  return (
    <form className="mt-2 flex flex-wrap items-center gap-1.5" onSubmit={form.onSubmit}>
      {REASONS.map((each) => (
        <button key={each} type="button" className="button min-h-11" onClick={() => onSkip(each)}>
          {each}
        </button>
      ))}
      <input
        aria-label="Reason for skipping"
        placeholder="another reason"
        {...form.field("reason")}
        className="h-11 min-w-32 grow rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
      />
      <button type="submit" className="button min-h-11" disabled={!form.words.reason.trim()}>
        Skip
      </button>
    </form>
  );
}
