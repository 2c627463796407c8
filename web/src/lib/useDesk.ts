import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState } from "react";
import { type EntryIn, type Field, type Job, type Picked, Refusal } from "@/api/client";
import { useEnter, usePreview, useReread, useTurn } from "@/api/queries";
import { asEntries, type Drafts, loadDrafts, saveDrafts, typing, without } from "./drafts";

/** How long a figure rests before it is entered by itself, so that nothing needs saving. */
const REST_MS = 1500;

export type Conflict = { mine: EntryIn[]; theirs: Job };

export type Desk = {
  /** The job as entered. */
  entered: Job;
  /** The job as it would be with what is being typed. */
  shown: Job;
  drafts: Drafts;
  field: (name: string) => Field | undefined;
  picked: (name: string) => Picked | undefined;
  type: (quantity: string, typed: string) => void;
  /** Enters what is typed for a quantity. */
  enter: (quantity: string) => void;
  /** Takes back what is typed for a quantity but not entered. */
  drop: (quantity: string) => void;
  /** Picks an option: shown at once, entered at once. */
  pick: (choice: string, option: string) => void;
  /** Enters something at once, such as a file. */
  put: (entries: EntryIn[]) => void;
  turn: (way: "undo" | "redo") => void;
  conflict: Conflict | null;
  settle: (mine: boolean) => void;
  /** A refusal that belongs to no field. */
  trouble: string | null;
  busy: boolean;
};

export const DeskContext = createContext<Desk | null>(null);

export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (desk === null) throw new Error("useDesk is used outside a job");
  return desk;
}

/** The state of a job being worked on: what is entered, what is typed, what was changed elsewhere. */
export function useDeskState(entered: Job): Desk {
  const { id } = entered;
  const [drafts, setDrafts] = useState<Drafts>(() => loadDrafts(id, sessionStorage));
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const entries = useMemo(() => asEntries(drafts), [drafts]);
  const preview = usePreview(id, entered.revision, entries);
  const shown = entries.length > 0 && preview.data ? preview.data : entered;
  const reread = useReread();
  const enterChange = useEnter(id);
  const turnChange = useTurn(id);

  // from the moment a write is refused as stale until the builder has decided, nothing else is sent: reading the
  // job again makes this tab's next write valid, and a field that loses its focus would slip its figure in
  const undecided = useRef(false);

  useEffect(() => saveDrafts(id, drafts, sessionStorage), [id, drafts]);

  const failed = useCallback(
    async (error: unknown, mine: EntryIn[]) => {
      if (error instanceof Refusal && error.status === 412) {
        undecided.current = true;
        setConflict({ mine, theirs: await reread(id) });
      } else if (
        !(error instanceof Refusal) ||
        Object.keys(error.faults).length === 0 ||
        mine.some((e) => e.file)
      ) {
        setTrouble(error instanceof Error ? error.message : "Something went wrong.");
      }
    },
    [id, reread],
  );

  const { mutateAsync: enterNow } = enterChange;
  const put = useCallback(
    (mine: EntryIn[]) => {
      if (undecided.current) return;
      setTrouble(null);
      enterNow(mine).then(
        () => setDrafts((now) => dropEntered(now, mine)),
        (error) => failed(error, mine),
      );
    },
    [enterNow, failed],
  );

  const latest = useRef({ drafts, entered });
  latest.current = { drafts, entered };

  const enter = useCallback(
    (quantity: string) => {
      const typed = latest.current.drafts[quantity];
      if (typed !== undefined) put([{ quantity, typed: typed.trim() || null }]);
    },
    [put],
  );

  useEffect(() => {
    if (entries.length === 0 || preview.data === undefined || preview.isPlaceholderData) return;
    const sound = entries.filter((entry) => {
      const field = preview.data.fields.find((f) => f.name === entry.quantity);
      const fault = preview.data.problems.some((p) => p.field === entry.quantity);
      return entry.typed !== null && !fault && !field?.question;
    });
    if (sound.length === 0) return;
    const timer = setTimeout(() => put(sound), REST_MS);
    return () => clearTimeout(timer);
  }, [entries, preview.data, preview.isPlaceholderData, put]);

  const type = useCallback((quantity: string, typed: string) => {
    const before = latest.current.entered.fields.find((f) => f.name === quantity)?.typed ?? null;
    setDrafts((now) => typing(now, quantity, typed, before));
  }, []);

  const pick = useCallback(
    (choice: string, option: string) => {
      setDrafts((now) => ({ ...now, [choice]: option }));
      put([{ quantity: choice, typed: option || null }]);
    },
    [put],
  );

  const drop = useCallback((quantity: string) => setDrafts((now) => without(now, [quantity])), []);

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
      else
        setDrafts((now) =>
          without(
            now,
            conflict.mine.map((e) => e.quantity),
          ),
        );
    },
    [conflict, put],
  );

  return {
    entered,
    shown,
    drafts,
    field: useCallback((name) => shown.fields.find((f) => f.name === name), [shown]),
    picked: useCallback((name) => shown.choices.find((c) => c.name === name), [shown]),
    type,
    enter,
    drop,
    pick,
    put,
    turn,
    conflict,
    settle,
    trouble,
    busy: enterChange.isPending || turnChange.isPending,
  };
}

/** A draft goes once it is entered, unless more was typed in the meantime. */
function dropEntered(drafts: Drafts, entries: EntryIn[]): Drafts {
  const same = entries.filter((e) => (drafts[e.quantity]?.trim() || null) === (e.typed ?? null));
  return without(
    drafts,
    same.map((e) => e.quantity),
  );
}
