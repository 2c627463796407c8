import { useState } from "react";
import type { Check } from "@/api/client";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";
import { bothSystems } from "@/lib/words";
import type { Send } from "./send";

const WORDS = { new: "New", least: "At least", most: "At most", spread: "Spread at most" } as const;
type Limit = Check["limits"][number];

/** The limits in force and whose they are. A manual's figure typed here stands for this vehicle from now on. */
export function Limits({ check, send, vehicle }: { check: Check; send: Send; vehicle: string }) {
  if (check.limits.length === 0) return null;
  return (
    <div className="mt-3" data-testid="limits">
      <h2 className="lettering border-b border-ink pb-0.5">Limits</h2>
      {check.limits.map((limit) => (
        <One key={`${check.name} ${limit.name}`} check={check} limit={limit} send={send} vehicle={vehicle} />
      ))}
    </div>
  );
}

function One({ check, limit, send, vehicle }: { check: Check; limit: Limit; send: Send; vehicle: string }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="border-b border-hair py-1" data-limit={limit.name}>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="w-20 font-semibold wide:w-32">{WORDS[limit.name]}</span>
        <span className="figure grow">{limit.value ? bothSystems(limit.value) : "not known"}</span>
        <button
          type="button"
          className="plain-link min-h-11 text-note"
          aria-expanded={open}
          aria-description={WORDS[limit.name]}
          onClick={() => setOpen(!open)}
        >
          {limit.mark === "manual" && limit.value ? "Change" : "Manual says …"}
        </button>
      </p>
      <p className="text-note text-soft">
        {limit.mark === "manual" && limit.value ? `The manual's, for this vehicle: ${limit.why}` : limit.why}
      </p>
      {open && (
        <Manual check={check} limit={limit} send={send} vehicle={vehicle} onDone={() => setOpen(false)} />
      )}
    </div>
  );
}

function Manual({
  check,
  limit,
  send,
  vehicle,
  onDone,
}: {
  check: Check;
  limit: Limit;
  send: Send;
  vehicle: string;
  onDone: () => void;
}) {
  const set = async ({ typed, source }: { typed: string; source: string }) => {
    const refused = await send({
      limit: { check: check.name, name: limit.name, typed, unit: check.units[0] ?? "", source },
    });
    if (refused === null) onDone();
    return refused;
  };
  const form = useForm({ typed: "", source: "" }, set);
  return (
    <form className="flex flex-wrap items-end gap-2 py-2" onSubmit={form.onSubmit}>
      <label className="text-note font-semibold">
        Figure{check.units[0] ? `, bare in ${check.units[0]}` : ""}
        <input
          {...form.field("typed")}
          className="figure block h-11 w-32 rounded-cut border border-line bg-sheet px-2 text-field"
        />
      </label>
      <label className="grow text-note font-semibold">
        Where it stands
        <input
          {...form.field("source")}
          placeholder="manual, page"
          className="block h-11 w-full min-w-32 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
        />
      </label>
      <button type="submit" className="button min-h-11" disabled={!form.words.typed.trim()}>
        Keep for {vehicle || "this job"}
      </button>
      {limit.mark === "manual" && limit.value && (
        <button
          type="button"
          className="button min-h-11"
          onClick={() => void form.tell(set({ ...form.words, typed: "" }))}
        >
          Back to the default
        </button>
      )}
      <Refused why={form.trouble} className="basis-full" />
    </form>
  );
}
