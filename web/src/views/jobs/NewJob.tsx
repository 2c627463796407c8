import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { type Catalogue, client, Refusal, taken } from "@/api/client";
import { useCatalogue, useKeepJob } from "@/api/queries";
import { FileButton } from "@/components/FileButton";
import { Refused } from "@/components/Refused";

const BOX = "mt-1 h-11 w-full rounded-cut border border-line bg-sheet px-3 text-field hover:border-ink";

const optionsOf = (catalogue: Catalogue, choice: string) =>
  catalogue.choices.find(({ name }) => name === choice)?.options ?? [];

/** Begins a job from what a person knows: what it is, one figure of its engine, what clutch it has. */
export function NewJob({ run, onRun }: { run: File | null; onRun: (run: File | null) => void }) {
  const catalogue = useCatalogue().data;
  const navigate = useNavigate();
  const keep = useKeepJob();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [kind, setKind] = useState("");
  const [own, setOwn] = useState(false);
  if (!catalogue) return null; // the form comes whole, so that nothing moves under a finger

  const layouts = optionsOf(catalogue, "layout");
  const classes = optionsOf(catalogue, "vehicle_class").filter(({ layouts }) => layouts.length === 1);
  const known = classes.find(({ value }) => value === kind);
  const layout = known?.layouts[0] ?? "";

  const begin = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const text = (name: string) => String(form.get(name) ?? "").trim();
    if (!text("kind")) return setTrouble("Say what it is; the rest follows from that.");
    const day = new Date().toLocaleDateString(undefined, { day: "numeric", month: "short" });
    const figures = Object.fromEntries(
      catalogue.clutch_figures.map((name) => [name, text(name)]).filter(([, typed]) => own && typed),
    );
    try {
      const job = await taken(
        client.POST("/api/jobs", {
          body: {
            name: text("name") || text("vehicle") || `${known?.label ?? "Job"}, ${day}`,
            vehicle: text("vehicle"),
            layout: known ? "" : text("kind"),
            vehicle_class: known?.value ?? "",
            engine: known && !run ? text("engine") : "",
            taken_at: known ? text("taken_at") : "",
            figures: run ? { ...figures, curve_source: "file" } : figures,
          },
        }),
      );
      keep(job);
      navigate(`/jobs/${job.id}/${known && !run ? "choose/section" : "brief"}`, { state: run && { run } });
    } catch (error) {
      setTrouble(error instanceof Refusal ? error.message : "The job could not be begun.");
    }
  };

  return (
    <form onSubmit={begin} aria-labelledby="begin" noValidate>
      <h2 id="begin" className="border-b border-ink pb-1 text-head font-bold">
        Begin a job
      </h2>
      <div className="py-2">
        <label htmlFor="kind" className="font-semibold">
          What it is
        </label>
        <select
          id="kind"
          name="kind"
          value={kind}
          onChange={(event) => setKind(event.target.value)}
          className={BOX}
        >
          <option value="">pick one …</option>
          {layouts.map((each) => (
            <optgroup key={each.value} label={each.label}>
              {classes
                .filter(({ layouts }) => layouts[0] === each.value)
                .map(({ value, label }) => (
                  <option key={value} value={value}>
                    {label}
                  </option>
                ))}
              <option value={each.value}>Other: {each.label}</option>
            </optgroup>
          ))}
        </select>
        {known && <span className="block pt-1 text-note font-normal text-soft">{known.meaning}</span>}
      </div>
      {run && (
        <p className="py-2">
          With the run of <span className="figure font-bold">{run.name}</span>, which is looked at next.{" "}
          <button type="button" className="plain-link" onClick={() => onRun(null)}>
            Without it
          </button>
        </p>
      )}
      {known && !run && (
        <fieldset className="py-1">
          <legend className="font-semibold">Engine, or what the kit is rated for</legend>
          <div className="grid grid-cols-[1fr_1.1fr] gap-2">
            <input
              name="engine"
              aria-label="One figure of the engine"
              maxLength={60}
              placeholder="320 N·m, 250 hp"
              className={`${BOX} placeholder:text-soft placeholder:italic`}
              autoComplete="off"
            />
            <select name="taken_at" aria-label="Where it was taken" className={BOX}>
              {optionsOf(catalogue, "curve_reference")
                .filter(({ layouts }) => layouts.includes(layout))
                .map(({ value, label }) => (
                  <option key={value} value={value}>
                    at {label.replace(/^The /, "the ")}
                  </option>
                ))}
            </select>
          </div>
        </fieldset>
      )}
      {known && (
        <fieldset className="py-2">
          <legend className="font-semibold">Its clutch</legend>
          {[false, true].map((figures) => (
            <label key={String(figures)} className="flex min-h-11 items-center gap-3">
              <input
                type="radio"
                name="clutch"
                checked={own === figures}
                onChange={() => setOwn(figures)}
                className="size-4 accent-now"
              />
              {figures ? "Three figures of it" : "As it left the factory"}
            </label>
          ))}
          {own && (
            <div className="grid grid-cols-3 gap-2">
              {catalogue.clutch_figures.map((name) => {
                const input = catalogue.inputs.find((each) => each.name === name);
                return (
                  <label key={name} className="text-note">
                    {input?.label}
                    <input name={name} className={BOX} placeholder={input?.field_unit} autoComplete="off" />
                  </label>
                );
              })}
            </div>
          )}
        </fieldset>
      )}
      <label className="block py-2 font-semibold">
        Name
        <input name="name" maxLength={100} className={BOX} autoComplete="off" />
      </label>
      <label className="block py-2 font-semibold">
        Vehicle
        <input name="vehicle" maxLength={200} className={BOX} autoComplete="off" />
      </label>
      <Refused why={trouble} className="pb-2" />
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="button h-11 grow">
          Begin
        </button>
        {!run && (
          <FileButton name="Dynamometer run" accept=".csv,.txt,.tsv,.dat,text/*" onFile={onRun}>
            With a run …
          </FileButton>
        )}
      </div>
    </form>
  );
}
