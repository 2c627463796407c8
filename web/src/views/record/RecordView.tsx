import type { History } from "@/api/client";
import { useGoBack, useHistory } from "@/api/queries";
import { Scroll } from "@/components/Scroll";
import { useJobEditor } from "@/lib/useJobEditor";
import { moment } from "@/lib/words";

/** The record: every entry ever made in this job, newest first. */
export function RecordView() {
  const { entered } = useJobEditor();
  const history = useHistory(entered.id, entered.revision);
  const goBack = useGoBack(entered.id);
  return (
    <Scroll label="Record" className="overflow-y-auto h-full px-5 py-5">
      <div className="mx-auto max-w-[60rem]">
        <h1 className="text-big font-bold">Record</h1>
        <p className="mt-1 text-soft">
          Every change as it was made. Nothing is ever erased: undo and going back add a line like any other.
        </p>
        {goBack.error && (
          <p role="alert" className="mt-2 font-semibold">
            ▲ {goBack.error.message}
          </p>
        )}
        <ol className="mt-4">
          {history.data?.revisions.map((revision) => (
            <Line
              key={revision.number}
              revision={revision}
              onBack={
                revision.number < entered.revision
                  ? () => goBack.mutate({ revision: revision.number, onto: entered.revision })
                  : null
              }
            />
          ))}
        </ol>
      </div>
    </Scroll>
  );
}

const KINDS = { start: "job begun", edit: "entered", undo: "undone", redo: "redone" };

type LineProps = { revision: History["revisions"][number]; onBack: (() => void) | null };

function Line({ revision, onBack }: LineProps) {
  return (
    <li className="grid gap-x-6 border-t border-hair py-3 tablet:grid-cols-[13rem_1fr]">
      <p>
        <span className="figure font-bold">{revision.number}</span> {KINDS[revision.kind]}
        {revision.of && <span className="text-soft"> (revision {revision.of})</span>}
        <time dateTime={revision.at} className="block text-note text-soft">
          {moment(revision.at)}
        </time>
        {onBack && (
          <button
            type="button"
            className="plain-link min-h-6 text-note"
            aria-label={`Back to this: revision ${revision.number}`}
            onClick={onBack}
          >
            Back to this
          </button>
        )}
      </p>
      <ul>
        {revision.changes.map((change) => (
          <li key={change.name}>
            {change.label}: {change.before !== null && <del className="text-soft">{change.before}</del>}
            {change.before !== null && " "}
            <ins className="font-semibold no-underline">{change.after ?? "withdrawn"}</ins>
          </li>
        ))}
      </ul>
    </li>
  );
}
