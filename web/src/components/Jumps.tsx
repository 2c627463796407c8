import { everythingShown, showEverything } from "@/lib/folds";
import type { Group } from "@/lib/groups";
import { useJobEditor } from "@/lib/useJobEditor";

/** The topics of a long column, each with how many of its figures nobody entered; one press away. */
export function Jumps({ groups, onTurn }: { groups: readonly Group[]; onTurn: () => void }) {
  const editor = useJobEditor();
  const topics = groups
    .map((group) => ({
      title: group.title,
      shown: group.rows.some((name) => editor.picked(name) || editor.field(name)),
      open: group.rows.filter((name) => editor.field(name)?.mark === "missing").length,
    }))
    .filter(({ shown }) => shown);
  if (topics.length < 4) return null;
  return (
    <nav
      aria-label="Topics"
      className="-mx-5 mb-3 flex flex-wrap gap-x-3 border-b border-hair bg-paper px-5 pb-1 text-note [column-span:all] wide:sticky wide:-top-4 wide:z-10 wide:pt-1"
    >
      {topics.map(({ title, open }) => (
        <button
          key={title}
          type="button"
          className="plain-link inline-flex min-h-7 items-center"
          onClick={() => {
            const section = document.querySelector(`section[aria-label="${CSS.escape(title)}"]`);
            section?.scrollIntoView({ block: "start" });
            section?.querySelector<HTMLElement>("input, select, textarea")?.focus({ preventScroll: true });
          }}
        >
          {title}
          {open > 0 && <b className="pl-1">{open}</b>}
          {open > 0 && <span className="sr-only"> not entered</span>}
        </button>
      ))}
      <label className="ml-auto inline-flex min-h-7 items-center gap-1.5">
        <input
          type="checkbox"
          defaultChecked={everythingShown()}
          onChange={(event) => {
            showEverything(event.target.checked);
            onTurn();
          }}
        />
        What is usual too
      </label>
    </nav>
  );
}
