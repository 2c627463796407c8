import { useState } from "react";
import type { Measure } from "@/api/client";
import { Labelled } from "@/components/Labelled";
import type { Send } from "./send";

/** A part that no reading asks for: it is old, or known to be weak. */
export function AddPart({ bench, send }: { bench: Measure; send: Send }) {
  const [part, setPart] = useState("");
  const [reason, setReason] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const add = async () => {
    const refused = await send({
      record: { kind: "own_part", key: part.trim(), said: { answer: "to_get", reason } },
    });
    setTrouble(refused);
    if (refused) return;
    setPart("");
    setReason("");
  };
  return (
    <details className="mt-2">
      <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
        Put a part on the list …
      </summary>
      <form
        className="grid items-end gap-2 tablet:grid-cols-[1fr_2fr_auto]"
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <Labelled label="Part" list="parts-to-add" value={part} maxLength={100} onText={setPart} />
        <datalist id="parts-to-add">
          {bench.parts.map(({ name, label }) => (
            <option key={name} value={label} />
          ))}
        </datalist>
        <Labelled
          label="Why"
          value={reason}
          maxLength={400}
          placeholder="its age, a weakness it is known for"
          onText={setReason}
        />
        <button type="submit" className="button min-h-11" disabled={!part.trim() || !reason.trim()}>
          Put it on the list
        </button>
      </form>
      {trouble && (
        <p role="alert" className="font-semibold">
          ▲ {trouble}
        </p>
      )}
    </details>
  );
}
