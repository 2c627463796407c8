import type { Measure } from "@/api/client";
import { useLearned } from "@/api/upkeep";
import { Refused } from "@/components/Refused";
import { figureIn } from "@/lib/money";
import { useForm } from "@/lib/useForm";
import type { Send } from "./send";

const FIELDS = [
  { name: "price", label: "Part now", hint: "price" },
  { name: "chance", label: "Chance it fails", hint: "%" },
  { name: "hours", label: "Hours to redo it", hint: "h" },
  { name: "rate", label: "An hour costs", hint: "price" },
  { name: "extra", label: "Hours more now", hint: "h, none" },
] as const;
const NOTHING = { part: "", price: "", chance: "", hours: "", rate: "", extra: "" };
type Words = typeof NOTHING;

/** The figures as they were typed, in the order of the fields; null where one cannot be read. */
const figuresOf = (words: Words) =>
  FIELDS.map(({ name }) => (name === "extra" && !words.extra.trim() ? 0 : figureIn(words[name])));

/** Renew now, or take the chance of coming back: the user's own figures, and the sum. */
export function WhileOpen({ bench, send }: { bench: Measure; send: Send }) {
  const form = useForm(
    NOTHING,
    (words) => {
      const [price = 0, chance = 0, hours = 0, rate = 0, extra_hours = 0] = figuresOf(words).map(Number);
      return send({ sum: { part: words.part, price, chance: chance / 100, hours, rate, extra_hours } });
    },
    FIELDS.map(({ name }) => name),
  );
  const { part } = form.words;
  const learned = useLearned().data?.parts.find(
    ({ label }) => label.toLowerCase() === part.trim().toLowerCase(),
  );
  const ready = part.trim() !== "" && figuresOf(form.words).every((figure) => figure !== null);
  return (
    <section aria-labelledby="open" data-testid="while-open">
      <h2 id="open" className="border-b border-ink pb-1 text-head font-bold">
        While it is open
      </h2>
      {bench.renewals.map((sum) => (
        <div key={sum.part} className="border-b border-hair py-1.5" data-part={sum.part}>
          <p className="flex items-baseline justify-between gap-3">
            <span>
              <b>{sum.label}</b>: {sum.pays ? "renew it now" : "leave it"}
            </span>
            <button
              type="button"
              className="plain-link min-h-11 text-note"
              onClick={() => void send({ drop: sum.part })}
            >
              Take off
            </button>
          </p>
          <p className="text-note">
            Now <span className="figure">{sum.now.toFixed(2)}</span>
            {sum.extra_hours > 0 && ` with ${sum.extra_hours} h more`}; later{" "}
            <span className="figure">{(sum.chance * 100).toFixed(0)} %</span> of (
            <span className="figure">{sum.hours}</span> h at <span className="figure">{sum.rate}</span> and
            the part) = <span className="figure">{sum.later.toFixed(2)}</span>. Even at{" "}
            <span className="figure">{(sum.even * 100).toFixed(1)} %</span>.
          </p>
        </div>
      ))}
      <form className="mt-2 grid grid-cols-2 items-end gap-2 tablet:grid-cols-6" onSubmit={form.onSubmit}>
        <label className="text-note font-semibold">
          Part
          <input
            list="parts-open"
            {...form.field("part")}
            className="block h-11 w-full rounded-cut border border-line bg-sheet px-2"
          />
          <datalist id="parts-open">
            {bench.parts.map(({ name, label }) => (
              <option key={name} value={label} />
            ))}
          </datalist>
        </label>
        {FIELDS.map(({ name, label, hint }) => (
          <label key={name} className="text-note font-semibold">
            {label}
            <input
              inputMode="decimal"
              placeholder={hint}
              {...form.field(name)}
              className="figure block h-11 w-full rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
            />
          </label>
        ))}
        <button type="submit" className="button col-span-full min-h-11" disabled={!ready}>
          Work it out
        </button>
      </form>
      {learned && (
        <p className="text-note" data-testid="learned-chance">
          In this shop it was left {learned.jobs} times and came back {learned.back}:{" "}
          {(100 * learned.share).toFixed(0)} %.
        </p>
      )}
      <Refused why={form.trouble} />
      <p className="mt-1 text-note text-soft">
        Labour decides: a cheap part is worth renewing when getting back in costs more than its chance of
        failing.
      </p>
    </section>
  );
}
