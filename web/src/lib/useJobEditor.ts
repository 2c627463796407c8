import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState } from "react";
import {
  type EntryIn,
  type Field,
  type Job,
  notNow,
  ofAnotherState,
  type Picked,
  Refusal,
  seen,
} from "@/api/client";
import { type Looked, useEnter, usePreview, useReread, useTurn } from "@/api/queries";
import { keepOne, patiently } from "@/lib/waiting";
import { triedIn, tryKey, useAddress } from "./address";
import {
  asEntries,
  type Base,
  type Drafts,
  loadDrafts,
  saveBase,
  saveDrafts,
  typing,
  without,
} from "./drafts";

/** How long a figure rests before it is entered by itself, so that nothing needs saving. */
const REST_MS = 1500;

export type Conflict = { mine: EntryIn[]; theirs: Job };

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

/** The state of a job being worked on: what is entered, what is typed, what was changed elsewhere. */
export function useJobEditorState(entered: Job): JobEditor {
  const { id, build } = entered;
  const kept = build ? `${id}/${build}` : id;
  const [drafts, setDrafts] = useState<Drafts>(() => loadDrafts(kept, sessionStorage));
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [search, putAddress] = useAddress();
  const trialText = JSON.stringify(triedIn(search));
  const trial = useMemo<Drafts>(() => JSON.parse(trialText), [trialText]);
  const entries = useMemo(() => asEntries(drafts), [drafts]);
  const tried = useMemo(() => asEntries({ ...trial, ...drafts }), [trial, drafts]);
  const trying = useMemo(() => ({ entries: tried, build }), [tried, build]);
  const preview = usePreview(id, entered.revision, trying);
  const shown = tried.length > 0 && preview.data ? preview.data : entered;
  // the answers come first: what the workbench draws is asked for once they are there
  const settled = tried.length === 0 || (preview.data !== undefined && !preview.isPlaceholderData);
  const lastLooked = useRef(trying);
  if (settled) lastLooked.current = trying;
  const looked = lastLooked.current;
  const reread = useReread();
  const enterChange = useEnter(id, build);
  const turnChange = useTurn(id);

  // from the moment a write is refused as stale until the builder has decided, nothing else is sent: reading the
  // job again makes this tab's next write valid, and a field that loses its focus would slip its figure in
  const undecided = useRef(false);

  useEffect(() => saveDrafts(kept, drafts, sessionStorage), [kept, drafts]);
  useEffect(() => saveBase(id, baseOf(entered), sessionStorage), [id, entered]);

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
  const latest = useRef({ drafts, entered });
  latest.current = { drafts, entered };
  const hold = useCallback(
    (mine: EntryIn[]) => {
      const all = new Map(mine.map((entry) => [entry.quantity, entry]));
      held.current = all;
      let sent = mine;
      const named = () => ({
        address: `/api/jobs/${id}/entries`,
        body: { request: `entries ${kept}`, entries: [...all.values()], build },
        what: [...all.values()].map((each) => `${each.quantity} ${each.typed ?? "withdrawn"}`).join(", "),
        tag: seen(latest.current.entered.revision)["If-Match"],
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
          () => setDrafts((now) => dropEntered(now, sent)),
          (error) => failed(error, sent),
        );
    },
    [enterNow, failed, id, build, kept],
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
        () => setDrafts((now) => dropEntered(now, mine)),
        (error) => (notNow(error) ? hold(mine) : failed(error, mine)),
      );
    },
    [enterNow, failed, hold],
  );

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

  const setTrial = useCallback(
    (quantity: string, typed: string | null) => putAddress({ [tryKey(quantity)]: typed }),
    [putAddress],
  );
  const dropTrial = useCallback(() => {
    const keys = Object.keys(trial).map((quantity) => [tryKey(quantity), null]);
    putAddress(Object.fromEntries(keys));
  }, [trial, putAddress]);
  const keepTrial = useCallback(() => {
    put(asEntries(trial));
    dropTrial();
  }, [trial, put, dropTrial]);

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
    busy: enterChange.isPending || turnChange.isPending,
  };
}

/** What a job is, as far as another one can be made of it. */
function baseOf(job: Job): Base {
  const picked = job.choices.flatMap((choice) =>
    choice.option && !choice.begun ? [[choice.name, choice.option]] : [],
  );
  const typed = job.fields.flatMap((field) => (field.typed ? [[field.name, field.typed]] : []));
  const entered = Object.fromEntries([...picked, ...typed]);
  return { name: job.name, vehicle: job.vehicle, layout: job.layout, entered };
}

/** A draft goes once it is entered, unless more was typed in the meantime. */
function dropEntered(drafts: Drafts, entries: EntryIn[]): Drafts {
  const same = entries.filter((e) => (drafts[e.quantity]?.trim() || null) === (e.typed ?? null));
  return without(
    drafts,
    same.map((e) => e.quantity),
  );
}
