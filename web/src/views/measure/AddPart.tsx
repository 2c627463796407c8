import type { Measure } from "@/api/client";
import { Labelled } from "@/components/Labelled";
import { Refused } from "@/components/Refused";
import { useForm } from "@/lib/useForm";
import type { Send } from "./send";

/** A part that no reading asks for: it is old, or known to be weak. */
export function AddPart({ bench, send }: { bench: Measure; send: Send }) {
  const form = useForm({ part: "", reason: "" }, ({ part, reason }) =>
    send({ record: { kind: "own_part", key: part.trim(), said: { answer: "to_get", reason } } }),
  );
  return (
    <details className="mt-2">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        Put a part on the list …
      </summary>
      <form className="grid items-end gap-2 tablet:grid-cols-[1fr_2fr_auto]" onSubmit={form.onSubmit}>
        <Labelled label="Part" list="parts-to-add" maxLength={100} {...form.text("part")} />
        <datalist id="parts-to-add">
          {bench.parts.map(({ name, label }) => (
            <option key={name} value={label} />
          ))}
        </datalist>
        <Labelled
          label="Why"
          maxLength={400}
          placeholder="its age, a weakness it is known for"
          {...form.text("reason")}
        />
        <button
          type="submit"
          className="button min-h-11"
          disabled={!form.words.part.trim() || !form.words.reason.trim()}
        >
          Put it on the list
        </button>
      </form>
      <Refused why={form.trouble} />
    </details>
  );
}
