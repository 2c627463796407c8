import { Dialog } from "radix-ui";
import { useCatalogue } from "@/api/queries";
import { useJobEditor } from "@/lib/useJobEditor";

/** Two tabs changed one job: both versions side by side, and the builder decides. */
export function ConflictDialog() {
  const editor = useJobEditor();
  const catalogue = useCatalogue();
  const conflict = editor.conflict;
  if (!conflict) return null;
  const inputs = catalogue.data?.inputs ?? [];
  const choices = catalogue.data?.choices ?? [];
  const label = (name: string) => [...inputs, ...choices].find((q) => q.name === name)?.label ?? name;
  const option = (name: string, value: string | null | undefined) =>
    choices.find((c) => c.name === name)?.options.find((o) => o.value === value)?.label ?? value;
  const theirs = (name: string) =>
    conflict.theirs.fields.find((f) => f.name === name)?.typed ??
    option(name, conflict.theirs.choices.find((c) => c.name === name)?.option);
  return (
    <Dialog.Root open modal={false}>
      <Dialog.Portal>
        <div className="fixed inset-0 z-30 bg-paper/70" />
        <Dialog.Content
          aria-describedby={undefined}
          onEscapeKeyDown={(event) => event.preventDefault()}
          onInteractOutside={(event) => event.preventDefault()}
          className="framed fixed left-1/2 top-1/2 z-30 w-[min(40rem,94vw)] -translate-x-1/2 -translate-y-1/2 bg-sheet p-6"
        >
          <Dialog.Title className="text-head font-bold">This job was changed elsewhere</Dialog.Title>
          <p className="mt-1">
            Another tab or person was quicker. Nothing was overwritten: which of the two holds?
          </p>
          <table className="mt-4 w-full text-left">
            <thead>
              <tr className="border-b border-ink">
                <th className="py-1 pr-3">Quantity</th>
                <th className="py-1 pr-3">Yours</th>
                <th className="py-1">There now</th>
              </tr>
            </thead>
            <tbody>
              {conflict.mine.length === 0 && (
                <tr>
                  <td colSpan={3} className="py-2">
                    You were undoing or redoing; look at the job as it stands and do it again if it is still
                    right.
                  </td>
                </tr>
              )}
              {conflict.mine.map((entry) => (
                <tr key={entry.quantity} className="border-b border-hair">
                  <td className="py-2 pr-3">{label(entry.quantity)}</td>
                  <td className="figure py-2 pr-3 text-now">
                    {entry.file?.name ?? option(entry.quantity, entry.typed) ?? "nothing"}
                  </td>
                  <td className="figure py-2">{theirs(entry.quantity) ?? "nothing"}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="mt-5 flex flex-wrap gap-3">
            {conflict.mine.length > 0 && (
              <button type="button" className="button" onClick={() => editor.settle(true)}>
                Enter mine on top
              </button>
            )}
            <button type="button" className="button" onClick={() => editor.settle(false)}>
              Leave what is there
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
