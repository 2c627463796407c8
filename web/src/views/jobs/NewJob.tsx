import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { client, Refusal, taken } from "@/api/client";
import { useCatalogue, useKeepJob } from "@/api/queries";

/** Begins a job: a name and a layout, the rest follows. */
export function NewJob() {
  const catalogue = useCatalogue();
  const navigate = useNavigate();
  const keep = useKeepJob();
  const [trouble, setTrouble] = useState<string | null>(null);
  const layouts = catalogue.data?.choices.find((choice) => choice.name === "layout")?.options ?? [];

  const begin = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const text = (name: string) => String(form.get(name) ?? "").trim();
    if (!text("name")) return setTrouble("Give the job a name, so that it can be found again.");
    try {
      const body = { name: text("name"), vehicle: text("vehicle"), layout: text("layout") };
      const job = await taken(client.POST("/api/jobs", { body }));
      keep(job);
      navigate(`/jobs/${job.id}/brief`);
    } catch (error) {
      setTrouble(error instanceof Refusal ? error.message : "The job could not be begun.");
    }
  };

  if (!catalogue.data) return null; // the form comes whole, so that nothing moves under a finger

  const box = "mt-1 h-11 w-full rounded-cut border border-line bg-sheet px-3 text-field hover:border-ink";
  return (
    <form onSubmit={begin} aria-labelledby="begin" noValidate>
      <h2 id="begin" className="border-b border-ink pb-1 text-head font-bold">
        Begin a job
      </h2>
      <label className="block py-2 font-semibold">
        Name
        <input name="name" maxLength={100} className={box} autoComplete="off" />
      </label>
      <label className="block py-2 font-semibold">
        Vehicle
        <input name="vehicle" maxLength={200} className={box} autoComplete="off" />
      </label>
      <fieldset className="py-2">
        <legend className="font-semibold">Layout</legend>
        {layouts.map((layout, i) => (
          <label key={layout.value} className="mt-1 flex min-h-11 items-start gap-3 py-1.5">
            <input
              type="radio"
              name="layout"
              value={layout.value}
              defaultChecked={i === 0}
              className="mt-1 size-4 accent-now"
            />
            <span>
              <span className="font-semibold">{layout.label}</span>
              <span className="block text-note text-soft">{layout.meaning}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {trouble && (
        <p role="alert" className="pb-2 font-semibold">
          ▲ {trouble}
        </p>
      )}
      <button type="submit" className="button h-11 w-full">
        Begin
      </button>
    </form>
  );
}
