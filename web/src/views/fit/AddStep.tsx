import type { Plan, WordsOf } from "@/api/client";
import { type SayPlan, useShopStep } from "@/api/fit";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";

type Said = WordsOf<"own_step">;
const BOX = "h-11 w-full min-w-0 rounded-cut border border-line bg-sheet px-2";
const TEXTS = [
  ["back", "It goes back on as", "Bracket on"],
  ["parts", "Parts it takes", "cover bolts, gasket"],
  ["joint", "Joint it tightens", "Heat shield"],
  ["tools", "Tools", "13 mm socket"],
  ["hazards", "What can hurt", ""],
] as const;
const PROOFS: [NonNullable<Said["evidence"]>, string][] = [
  ["tick", "a tick"],
  ["reading", "a reading"],
  ["sentence", "a few words"],
  ["bolts", "its bolts"],
];
const NOTHING = {
  title: "",
  after: "",
  before: "",
  note: "",
  back: "",
  parts: "",
  joint: "",
  tools: "",
  hazards: "",
  evidence: "tick" as NonNullable<Said["evidence"]>,
  always: false,
};
const EMPTY = { reached: "", hands: "", minutes: "" } as const;

/** A step of one's own: where it stands, what it takes, what proves it, what puts it back; what follows waits for it. */
export function AddStep({ plan, say }: { plan: Plan; say: SayPlan }) {
  const keep = useShopStep(plan.job);
  const form = useForm(
    NOTHING,
    ({ title, always, ...words }) => {
      const version = plan.shop_steps.find((each) => each.title === title.trim())?.version ?? 0;
      if (always) return keep({ ...EMPTY, ...words, title: title.trim(), kept: true, version });
      const given = Object.fromEntries(Object.entries(words).filter(([, text]) => text.trim()));
      return say({ kind: "own_step", key: title, said: { ...given, answer: "asked" } });
    },
    ["after", "before", "always", "evidence"],
  );
  const own = plan.steps.filter((step) => step.own && !step.off && step.state !== "done");
  const letGo = async (key: string, name: string) => {
    const shop = plan.shop_steps.find((each) => each.key === key && each.kept);
    const { always, ...nothing } = NOTHING;
    await form.tell(
      shop
        ? keep({ ...EMPTY, ...nothing, title: shop.title, kept: always, version: shop.version })
        : say({ kind: "own_step", key: name, said: { answer: "open" } }),
    );
  };
  return (
    <details className="mt-3">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
        Add a step of your own
      </summary>
      {own.map((step) => (
        <p key={step.key} className="text-note">
          {step.title}{" "}
          <button
            type="button"
            className="plain-link min-h-11"
            onClick={() => void letGo(step.key, step.title)}
          >
            {plan.shop_steps.some(({ key, kept }) => key === step.key && kept)
              ? "No longer in every job"
              : "Leave it out"}
          </button>
        </p>
      ))}
      <form className="grid gap-2" onSubmit={form.onSubmit}>
        <input aria-label="What is to be done" maxLength={100} {...form.field("title")} className={BOX} />
        <Step
          label="After which step"
          first="no place: any time before the final look"
          word="after"
          plan={plan}
          form={form}
        />
        <Step
          label="Before which step"
          first="before all that followed"
          word="before"
          plan={plan}
          form={form}
        />
        <textarea
          aria-label="More about it"
          placeholder="more about it"
          rows={2}
          maxLength={2000}
          {...form.field("note")}
          className="w-full rounded-cut border border-line bg-sheet px-2 py-1"
        />
        <details>
          <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center text-note">
            What it takes, and what proves it …
          </summary>
          <div className="grid gap-2">
            {TEXTS.map(([name, label, hint]) => (
              <input
                key={name}
                aria-label={label}
                placeholder={[label.toLowerCase(), hint].filter(Boolean).join(": ")}
                maxLength={200}
                {...form.field(name)}
                className={BOX}
              />
            ))}
            <label className="text-note font-semibold">
              What proves it
              <select {...form.field("evidence")} className={`${BOX} font-normal`}>
                {PROOFS.map(([name, label]) => (
                  <option key={name} value={name}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
          </div>
        </details>
        <label className="flex min-h-11 items-center gap-2 text-note">
          <input
            type="checkbox"
            className="size-5"
            checked={form.words.always}
            onChange={(event) => form.put({ always: event.target.checked })}
          />
          In every job of the shop
        </label>
        <button type="submit" className="button min-h-11" disabled={!form.words.title.trim()}>
          Add the step
        </button>
        <Refused why={form.trouble} />
      </form>
    </details>
  );
}

type Form = ReturnType<typeof useForm<typeof NOTHING>>;
type StepProps = { label: string; first: string; word: "after" | "before"; plan: Plan; form: Form };

/** A step of the plan to pick. */
function Step({ label, first, word, plan, form }: StepProps) {
  return (
    <select aria-label={label} {...form.field(word)} className={BOX}>
      <option value="">{first}</option>
      {plan.steps.map(({ key, title }) => (
        <option key={key} value={key}>
          {word}: {title}
        </option>
      ))}
    </select>
  );
}
