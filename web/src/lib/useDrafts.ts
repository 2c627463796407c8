import { useCallback, useEffect, useMemo, useState } from "react";
import type { EntryIn, Job } from "@/api/client";
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

/** What is typed and not entered; a reload of the tab finds it again. `kept` is what it is kept under. */
export function useDrafts(entered: Job, kept: number | string) {
  const [drafts, setDrafts] = useState<Drafts>(() => loadDrafts(kept, sessionStorage));
  const entries = useMemo(() => asEntries(drafts), [drafts]);
  useEffect(() => saveDrafts(kept, drafts, sessionStorage), [kept, drafts]);
  useEffect(() => saveBase(entered.id, baseOf(entered), sessionStorage), [entered]);
  const type = useCallback(
    (quantity: string, typed: string, before: string | null) =>
      setDrafts((now) => typing(now, quantity, typed, before)),
    [],
  );
  const put = useCallback(
    (quantity: string, typed: string) => setDrafts((now) => ({ ...now, [quantity]: typed })),
    [],
  );
  const drop = useCallback((quantities: string[]) => setDrafts((now) => without(now, quantities)), []);
  const taken = useCallback((sent: EntryIn[]) => setDrafts((now) => dropEntered(now, sent)), []);
  return { drafts, entries, type, put, drop, taken };
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
