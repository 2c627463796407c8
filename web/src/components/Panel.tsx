import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { Scroll } from "./Scroll";

type Props = { title: string; children: ReactNode; onClose: () => void };

/** A panel laid over the right of the sheet. It does not block the rest: figures behind it stay live. */
export function Panel({ title, children, onClose }: Props) {
  return (
    <Dialog.Root open modal={false} onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onInteractOutside={(event) => event.preventDefault()}
          className="fixed inset-y-0 right-0 z-20 flex w-full flex-col border-l-2 border-ink bg-sheet shadow-[-6px_0_0_var(--hair)] tablet:w-[34rem] no-print"
        >
          <div className="flex items-center justify-between gap-4 border-b border-ink px-5 py-3">
            <Dialog.Title className="text-head font-bold">{title}</Dialog.Title>
            <Dialog.Close className="button">Close</Dialog.Close>
          </div>
          <Scroll label={title} className="overflow-y-auto min-h-0 grow px-5 py-4">
            {children}
          </Scroll>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
