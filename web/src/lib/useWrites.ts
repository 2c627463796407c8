import { useCallback, useRef, useState } from "react";
import { type EntryIn, type Job, notNow, ofAnotherState, Refusal, seen } from "@/api/client";
import { useEnter, useReread, useTurn } from "@/api/queries";
import { keepOne, patiently } from "@/lib/waiting";

export type Conflict = { mine: EntryIn[]; theirs: Job };

/**
 * What is sent to the ledger of a job: entered, held while nothing answers, decided where it was changed elsewhere.
 *
 * `kept` is what is held under, `taken` hears what was entered, `dropped` what the builder gave up for another's.
 */
export function useWrites(
  entered: Job,
  kept: number | string,
  taken: (sent: EntryIn[]) => void,
  dropped: (quantities: string[]) => void,
) {
  const { id, build, revision } = entered;
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const reread = useReread();
  const enterChange = useEnter(id, build);
  const turnChange = useTurn(id);

  // from the moment a write is refused as stale until the builder has decided, nothing else is sent: reading the
  // job again makes this tab's next write valid, and a field that loses its focus would slip its figure in
  const undecided = useRef(false);

  const failed = useCallback(
    async (error: unknown, mine: EntryIn[]) => {
      if (ofAnotherState(error)) return; // the page says so, and holds what was typed
      if (error instanceof Refusal && error.status === 412) {
        undecided.current = true;
        setConflict({ mine, theirs: await reread(id, build) });
      } else if (
        !(error instanceof Refusal) ||
        Object.keys(error.faults).length === 0 ||
        mine.some((e) => e.file)
      ) {
        setTrouble(error instanceof Error ? error.message : "Something went wrong.");
      }
    },
    [id, build, reread],
  );

  const { mutateAsync: enterNow } = enterChange;
  // what was entered while the server does not answer, the last of each: sent as one change once it does
  const held = useRef<Map<string, EntryIn> | null>(null);
  const keepAgain = useRef(() => {});
  const newest = useRef(revision);
  newest.current = revision;
  const hold = useCallback(
    (mine: EntryIn[]) => {
      const all = new Map(mine.map((entry) => [entry.quantity, entry]));
      held.current = all;
      let sent = mine;
      const named = () => ({
        address: `/api/jobs/${id}/entries`,
        body: { request: `entries ${kept}`, entries: [...all.values()], build },
        what: [...all.values()].map((each) => `${each.quantity} ${each.typed ?? "withdrawn"}`).join(", "),
        tag: seen(newest.current)["If-Match"],
      });
      keepAgain.current = () => keepOne(localStorage, named());
      const send = () => {
        sent = [...all.values()];
        return enterNow(sent);
      };
      patiently(send, notNow, named())
        .finally(() => {
          held.current = null;
        })
        .then(
          () => taken(sent),
          (error) => failed(error, sent),
        );
    },
    [enterNow, failed, taken, id, build, kept],
  );

  const put = useCallback(
    (mine: EntryIn[]) => {
      if (undecided.current) return;
      setTrouble(null);
      if (held.current !== null) {
        for (const entry of mine) held.current.set(entry.quantity, entry);
        keepAgain.current();
        return;
      }
      enterNow(mine).then(
        () => taken(mine),
        (error) => (notNow(error) ? hold(mine) : failed(error, mine)),
      );
    },
    [enterNow, failed, taken, hold],
  );

  const { mutateAsync: turnNow } = turnChange;
  const turn = useCallback(
    (way: "undo" | "redo") => {
      setTrouble(null);
      turnNow(way).catch((error) => failed(error, []));
    },
    [turnNow, failed],
  );

  const settle = useCallback(
    (mine: boolean) => {
      if (conflict === null) return;
      undecided.current = false;
      setConflict(null);
      if (mine && conflict.mine.length > 0) put(conflict.mine);
      else dropped(conflict.mine.map((e) => e.quantity));
    },
    [conflict, put, dropped],
  );

  return { put, turn, conflict, settle, trouble, busy: enterChange.isPending || turnChange.isPending };
}
