import { Dialog } from "radix-ui";
import { useState } from "react";
import { client, type EntryIn, postKept, Refusal, seen, taken } from "@/api/client";
import { useCatalogue } from "@/api/queries";
import { Refused } from "@/components/Refused";
import { type Base, type Held, heldOfOthers, letGo, loadBase } from "@/lib/drafts";
import { pageState, useAnotherState } from "@/lib/state";
import { FILES, type Kept, keptOfOthers, letKeptGo } from "@/lib/waiting";

type Holding = { job: string; state: string; base: Base | null; held: Held | null; kept: Kept[] };

/** What is typed or waits here for another state of the shop, job by job. */
function holdings(now: string): Holding[] {
  const found = new Map<string, Holding>();
  const of = (state: string, job: string) => {
    const there = found.get(`${state}/${job}`) ?? { job, state, base: null, held: null, kept: [] };
    found.set(`${state}/${job}`, there);
    return there;
  };
  for (const held of heldOfOthers(sessionStorage, now)) {
    const there = of(held.state, held.job);
    there.held = held;
    there.base = loadBase(held.job.split("/")[0] ?? "", sessionStorage, held.state);
  }
  for (const kept of keptOfOthers(localStorage, now)) {
    const job = /\/api\/jobs\/(\d+)/.exec(kept.address)?.[1] ?? "";
    const there = of(kept.state ?? "", job);
    there.kept.push(kept);
    there.base ??= kept.base ?? null;
  }
  return [...found.values()];
}

/** Makes a new job of what is held of one that has another number now; the sentences say what could not be taken. */
async function asNewJob({ held, kept }: Holding, base: Base): Promise<{ job: number; faults: string[] }> {
  const { layout, vehicle } = base;
  const body = { layout, vehicle, name: `${base.name || "Job"} (kept from a tab)` };
  const job = await taken(client.POST("/api/jobs", { body }));
  const own = new Set(["layout", "job_name", "vehicle"]);
  const typed = Object.entries({ ...base.entered, ...held?.drafts })
    .filter(([quantity, text]) => !own.has(quantity) && text.trim())
    .map(([quantity, text]): EntryIn => ({ quantity, typed: text }));
  // what was entered and waits is the later word
  const waited = kept.flatMap(({ body }) => (Array.isArray(body.entries) ? (body.entries as EntryIn[]) : []));
  let entries = [...new Map([...typed, ...waited].map((each) => [each.quantity, each])).values()];
  const faults: string[] = [];
  for (let turn = 0; turn < 2 && entries.length > 0; turn += 1) {
    try {
      await taken(
        client.POST("/api/jobs/{job_id}/entries", {
          params: { path: { job_id: job.id } },
          body: { entries, build: "" },
          headers: seen(job.revision),
        }),
      );
      break;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      const wrong = error.faults;
      faults.push(...Object.values(wrong));
      entries = entries.filter((each) => !(each.quantity in wrong));
    }
  }
  for (const each of kept.filter(({ body }) => !Array.isArray(body.entries))) {
    const address = each.address.replace(/\/api\/jobs\/\d+/, `/api/jobs/${job.id}`);
    const { state: _, tag: __, base: ___, ...rest } = each;
    const file = rest.file && rest.body.request ? await FILES.get(rest.body.request) : undefined;
    await postKept({ ...rest, address }, file).catch((error: Error) =>
      faults.push(`${each.what ?? "One thing"}: ${error.message}`),
    );
  }
  return { job: job.id, faults };
}

const words = ({ held, kept }: Holding, label: (name: string) => string) => [
  ...Object.entries(held?.drafts ?? {}).map(([name, typed]) => `${label(name)}: ${typed}`),
  ...kept.map((each) => each.what ?? "something said"),
];

/**
 * A backup was brought back while this page was open, or before it was loaded anew: numbers of jobs mean others now. It
 * says so, shows what it holds, and offers it as a new job.
 */
export function AnotherState() {
  const another = useAnotherState();
  const [list, setList] = useState(() => holdings(pageState()));
  const [told, setTold] = useState<{ job: number; faults: string[] }[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const catalogue = useCatalogue();
  if (!another && list.length === 0 && told.length === 0) return null;
  const labels = [...(catalogue.data?.inputs ?? []), ...(catalogue.data?.choices ?? [])];
  const label = (name: string) => labels.find((each) => each.name === name)?.label ?? name;
  // while the page is open what it holds is of its own state; once it is loaded anew, of the one before
  const shown = another ? holdings("") : list;
  const done = (holding: Holding) => {
    if (holding.held) letGo(holding.held, sessionStorage);
    letKeptGo(localStorage, holding.kept);
    setList(holdings(pageState()));
  };
  const keep = async (holding: Holding, base: Base) => {
    setTrouble(null);
    try {
      const made = await asNewJob(holding, base);
      done(holding);
      setTold((now) => [...now, made]);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : "It could not be kept.");
    }
  };
  return (
    <Dialog.Root open modal={false}>
      <Dialog.Portal>
        <div className="fixed inset-0 z-40 bg-paper/70" />
        <Dialog.Content
          aria-describedby={undefined}
          data-testid="another-state"
          onEscapeKeyDown={(event) => event.preventDefault()}
          onInteractOutside={(event) => event.preventDefault()}
          className="framed fixed left-1/2 top-1/2 z-40 max-h-[90vh] w-[min(42rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto bg-sheet p-6"
        >
          <Dialog.Title className="text-head font-bold">A backup was brought back</Dialog.Title>
          <p className="mt-1">
            {!another && list.length === 0
              ? "Nothing typed before that is left in this tab."
              : another
                ? "This tab was opened before that. Job numbers may mean other jobs now, so nothing more is sent from it."
                : "This tab still holds what was typed before that. It is not sent by itself: job numbers may mean other jobs now."}
          </p>
          {shown.length === 0 && another && (
            <p className="mt-2">Nothing typed here is waiting to be entered.</p>
          )}
          {shown.map((holding) => (
            <section key={`${holding.state}/${holding.job}`} className="mt-4 border-t border-ink pt-2">
              <h2 className="font-semibold">{holding.base?.name || `Job ${holding.job}`}</h2>
              <ul className="figure list-disc pl-5">
                {words(holding, label).map((each) => (
                  <li key={each}>{each}</li>
                ))}
              </ul>
              {!another && (
                <p className="mt-2 flex flex-wrap gap-3">
                  {holding.base ? (
                    <button
                      type="button"
                      className="button min-h-11"
                      onClick={() => holding.base && void keep(holding, holding.base)}
                    >
                      Keep it as a new job
                    </button>
                  ) : (
                    <span className="self-center">What job it was of is not known here any more.</span>
                  )}
                  <button type="button" className="button min-h-11" onClick={() => done(holding)}>
                    Let it go
                  </button>
                </p>
              )}
            </section>
          ))}
          {told.map((made) => (
            <p key={made.job} role="status" className="mt-3">
              Kept as{" "}
              <a className="plain-link font-semibold" href={`/jobs/${made.job}/brief`}>
                a new job
              </a>
              .
              {made.faults.map((fault) => (
                <span key={fault} className="block">
                  ▲ {fault}
                </span>
              ))}
            </p>
          ))}
          <Refused why={trouble} className="mt-2" />
          {!another && list.length === 0 && (
            <button type="button" className="button mt-4 min-h-11" onClick={() => setTold([])}>
              Close
            </button>
          )}
          {another && (
            <button type="button" className="button mt-5 min-h-11" onClick={() => location.assign("/")}>
              Open the shop as it is now{shown.length > 0 && ", and decide there what to keep"}
            </button>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
