import { createContext, useCallback, useContext, useEffect, useMemo, useRef } from "react";
import type { EntryIn, Field, Job, Picked } from "@/api/client";
import type { Looked } from "@/api/queries";
import { asEntries, type Drafts } from "./drafts";
import { useDrafts } from "./useDrafts";
import { useShown } from "./useShown";
import { useTrial } from "./useTrial";
import { type Conflict, useWrites } from "./useWrites";

/** How long a figure rests before it is entered by itself, so that nothing needs saving. */
const REST_MS = 1500;

/** What a field can do; stays the same from one drawing to the next. */
export type FieldActions = {
  type: (quantity: string, typed: string) => void;
  enter: (quantity: string) => void;
  drop: (quantity: string) => void;
  put: (entries: EntryIn[]) => void;
};

export type JobEditor = {
  /** The job as entered. */
  entered: Job;
  /** The job as it would be with what is being typed. */
  shown: Job;
  drafts: Drafts;
  /** What is typed or tried but not entered, as it is sent along to look at. */
  tried: EntryIn[];
  /** The same as far as the answers shown follow from it; views of the workbench look at this. */
  looked: Looked;
  actions: FieldActions;
  /** What is tried without being entered; it stands in the address. */
  trial: Drafts;
  try: (quantity: string, typed: string | null) => void;
  /** Enters what is tried. */
  keepTrial: () => void;
  /** Takes back what is tried. */
  dropTrial: () => void;
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

export const JobEditorContext = createContext<JobEditor | null>(null);

export function useJobEditor(): JobEditor {
  const editor = useContext(JobEditorContext);
  if (editor === null) throw new Error("useJobEditor is used outside a job");
  return editor;
}

/**
 * The state of a job being worked on, of four parts: what is typed (`useDrafts`), what is tried (`useTrial`), what the
 * answers would be (`useShown`), what is sent and what was changed elsewhere (`useWrites`).
 */
export function useJobEditorState(entered: Job): JobEditor {
  const kept = entered.build ? `${entered.id}/${entered.build}` : entered.id;
  const typed = useDrafts(entered, kept);
  const { drafts, entries, taken, type: note, put: draft, drop: forget } = typed;
  const { trial, set: setTrial, drop: dropTrial } = useTrial();
  const tried = useMemo(() => asEntries({ ...trial, ...drafts }), [trial, drafts]);
  const { shown, looked, answer } = useShown(entered, tried);
  const { put, turn, conflict, settle, trouble, busy } = useWrites(entered, kept, taken, forget);
  const latest = useRef({ drafts, entered });
  latest.current = { drafts, entered };

  const enter = useCallback(
    (quantity: string) => {
      const text = latest.current.drafts[quantity];
      if (text !== undefined) put([{ quantity, typed: text.trim() || null }]);
    },
    [put],
  );

  useEffect(() => {
    if (entries.length === 0 || answer === undefined) return;
    const sound = entries.filter((entry) => {
      const field = answer.fields.find((f) => f.name === entry.quantity);
      const fault = answer.problems.some((p) => p.field === entry.quantity);
      return entry.typed !== null && !fault && !field?.question;
    });
    if (sound.length === 0) return;
    const timer = setTimeout(() => put(sound), REST_MS);
    return () => clearTimeout(timer);
  }, [entries, answer, put]);

  const type = useCallback(
    (quantity: string, text: string) => {
      const before = latest.current.entered.fields.find((f) => f.name === quantity)?.typed ?? null;
      note(quantity, text, before);
    },
    [note],
  );

  const pick = useCallback(
    (choice: string, option: string) => {
      draft(choice, option);
      put([{ quantity: choice, typed: option || null }]);
    },
    [draft, put],
  );

  const drop = useCallback((quantity: string) => forget([quantity]), [forget]);

  const keepTrial = useCallback(() => {
    put(asEntries(trial));
    dropTrial();
  }, [trial, put, dropTrial]);

  return {
    entered,
    shown,
    drafts,
    tried,
    looked,
    actions: useMemo(() => ({ type, enter, drop, put }), [type, enter, drop, put]),
    trial,
    try: setTrial,
    keepTrial,
    dropTrial,
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
    busy,
  };
}
