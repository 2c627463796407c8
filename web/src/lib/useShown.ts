import { useMemo, useRef } from "react";
import type { EntryIn, Job } from "@/api/client";
import { type Looked, usePreview } from "@/api/queries";

/** The job as it would be with what is typed or tried, and as far as the answers shown follow from that. */
export function useShown(entered: Job, tried: EntryIn[]) {
  const { id, build, revision } = entered;
  const trying = useMemo<Looked>(() => ({ entries: tried, build }), [tried, build]);
  const preview = usePreview(id, revision, trying);
  const answer = preview.isPlaceholderData ? undefined : preview.data;
  const shown = tried.length > 0 && preview.data ? preview.data : entered;
  // the answers come first: what the workbench draws is asked for once they are there
  const last = useRef(trying);
  if (tried.length === 0 || answer !== undefined) last.current = trying;
  return { shown, looked: last.current, answer };
}
