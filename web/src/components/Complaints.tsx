import type { components } from "@/api/schema";
import { useForm } from "@/lib/useForm";
import { moment } from "@/lib/words";
import { Refused } from "./Refused";

type Complaint = Pick<components["schemas"]["ComplaintNowOut"], "name" | "label" | "state" | "closed"> & {
  explained_by: readonly (string | { label: string })[];
};
type Close = (name: string, said: { answer: "closed" | "open"; reason?: string }) => Promise<string | null>;

/** What the customer complains of, and what became of it; with `close` a person can answer it. */
export function Complaints({ complaints, close }: { complaints: readonly Complaint[]; close?: Close }) {
  if (complaints.length === 0) return null;
  return (
    <section aria-labelledby="complaints" data-testid="complaints">
      <h2 id="complaints" className="border-b border-ink pb-1 text-head font-bold">
        {complaints.length === 1 ? "The complaint" : "The complaints"}
      </h2>
      {complaints.map((each) => (
        <div key={each.name} className="border-b border-hair py-1" data-complaint={each.name}>
          <p>
            <b>{each.label}</b>
            {said(each)}
          </p>
          {close &&
            (each.state === "closed" ? (
              <button
                type="button"
                className="plain-link min-h-11 text-note"
                onClick={() => void close(each.name, { answer: "open" })}
              >
                Open it again
              </button>
            ) : (
              <Answer name={each.name} close={close} />
            ))}
        </div>
      ))}
    </section>
  );
}

function said({ state, closed, explained_by }: Complaint): string {
  if (state === "closed" && closed)
    return `: ${closed.reason}${closed.who && `, says ${closed.who}`}, ${moment(closed.at)}.`;
  if (state === "open") return ": open. Nothing found explains it yet.";
  const by = explained_by.map((one) => (typeof one === "string" ? one : one.label).toLowerCase());
  return `: explained by ${by.join("; ")}.`;
}

function Answer({ name, close }: { name: string; close: Close }) {
  const form = useForm({ reason: "" }, ({ reason }) => close(name, { answer: "closed", reason }));
  return (
    <form className="flex flex-wrap gap-2 py-1" onSubmit={form.onSubmit}>
      <input
        aria-label={`What became of it: ${name}`}
        {...form.field("reason")}
        maxLength={400}
        placeholder="what answered it; it is printed with your name"
        className="h-11 min-w-0 grow rounded-cut border border-line bg-sheet px-2 placeholder:text-soft placeholder:italic"
      />
      <button type="submit" className="button min-h-11" disabled={!form.words.reason.trim()}>
        Close it
      </button>
      <Refused why={form.trouble} className="basis-full" />
    </form>
  );
}
