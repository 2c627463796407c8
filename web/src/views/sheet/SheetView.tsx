import type { Field } from "@/api/client";
import { useAgainst, useCatalogue } from "@/api/queries";
import { Figure } from "@/components/Figure";
import { Glyph } from "@/components/Glyph";
import { Scroll } from "@/components/Scroll";
import { Decides } from "@/components/TitleBlock";
import { useJobEditor } from "@/lib/useJobEditor";
import { QUESTION_LABELS, STATE_WORDS } from "@/lib/words";
import { Results } from "@/views/choose/Results";
import { TorqueChart } from "@/views/choose/TorqueChart";
import { Measured } from "./Measured";

const SHOWN = ["torque_demand", "torque_capacity", "bite_margin", "clamp_load", "effective_radius"];

const SHOWN_OF: Record<string, readonly string[]> = {
  lift: ["plate_lift_available", "lift_needed", "lift_margin", "least_lift_margin", "overtravel_margin"],
  heat: [
    "slip_time",
    "slip_energy",
    "surface_temperature",
    "heat_margin",
    "sustained_margin",
    "mean_pressure",
    "pressure_margin",
    "distance_to_limit",
  ],
  true: [
    "engine_inertia",
    "burst_speed",
    "burst_margin",
    "certified_margin",
    "disc_speed_margin",
    "balance_margin",
    "joint_margin",
    "proof_margin",
    "housing_bore_margin",
    "housing_face_margin",
    "flywheel_face_margin",
    "pilot_margin",
    "pilot_room_margin",
  ],
};

/** The sheet to hand over: prints on paper as it stands. */
export function SheetView() {
  const { entered: job } = useJobEditor();
  const catalogue = useCatalogue();
  const label = (name: string) => catalogue.data?.inputs.find((input) => input.name === name)?.label ?? name;
  const kind = (name: string) => catalogue.data?.inputs.find((input) => input.name === name)?.kind;
  const entered = job.fields.filter(
    (field) =>
      field.typed && field.mark !== "assumed" && !["text", "curve"].includes(kind(field.name) ?? "text"),
  );
  const parts = job.fields.filter((field) => field.name.endsWith("_part") && field.typed);
  // a text that stands in a group of the form says something of the work; the rest has its own place here
  const grouped = new Set(catalogue.data?.groups.flatMap((group) => group.rows));
  const written = job.fields.filter(({ name, typed }) => typed && kind(name) === "text" && grouped.has(name));
  const text = (name: string) => job.fields.find((field) => field.name === name)?.typed ?? "";
  const notes = text("notes");
  const picked = job.choices.flatMap((choice) => {
    const info = catalogue.data?.choices.find((c) => c.name === choice.name);
    const option = info?.options.find((o) => o.value === choice.option);
    return info && option && !choice.begun ? [{ label: info.label, option: option.label }] : [];
  });
  return (
    <Scroll label="Sheet" className="overflow-y-auto h-full px-6 py-6">
      <p className="mx-auto flex max-w-[62rem] flex-wrap gap-3 pb-5 no-print">
        <button type="button" className="button" onClick={() => print()}>
          Print the sheet
        </button>
        <a className="button" href={`/api/jobs/${job.id}/file`} download>
          Job file (.liftbite.json)
        </a>
        {job.chart && (
          <a className="button" href={`/api/jobs/${job.id}/curve.csv?stage=now`} download>
            Curve (CSV)
          </a>
        )}
      </p>
      <article className="framed mx-auto max-w-[62rem] bg-sheet p-8 print:border-0 print:p-0 print:outline-0">
        <header className="border-b-2 border-ink pb-3">
          <h1 className="text-big font-bold">{job.name || "Job without a name"}</h1>
          <p className="text-soft">
            {[
              job.vehicle,
              text("registration"),
              text("mileage"),
              text("customer"),
              `revision ${job.revision}`,
              new Date().toISOString().slice(0, 10),
            ]
              .filter(Boolean)
              .join(" · ")}
          </p>
        </header>
        {job.verdicts.map((verdict) => (
          <section key={verdict.question} className="flex gap-5 border-b border-ink py-3">
            <Glyph verdict={verdict} className="h-10 w-14 shrink-0" />
            <div>
              <h2 className="text-head font-bold">
                {QUESTION_LABELS[verdict.question]}:{" "}
                {verdict.state === "open" ? "not answered" : STATE_WORDS[verdict.state]}
              </h2>
              <Decides verdict={verdict} />
              <p>{verdict.sentence}</p>
            </div>
          </section>
        ))}
        <Changes id={job.id} revision={job.revision} />
        <Measured id={job.id} revision={job.revision} complaint={text("complaint")} />
        {job.chart && (
          <section className="py-3">
            <TorqueChart chart={job.chart} />
          </section>
        )}
        <div className="grid gap-8 tablet:grid-cols-2 print:grid-cols-2">
          <section>
            <h2 className="border-b border-ink pb-1 text-head font-bold">Entered</h2>
            <dl>
              {parts.map((part) => (
                <Line key={part.name} term={label(part.name)}>
                  {part.typed}
                </Line>
              ))}
              {picked.map((choice) => (
                <Line key={choice.label} term={choice.label}>
                  {choice.option}
                </Line>
              ))}
              {written.map((field) => (
                <Line key={field.name} term={label(field.name)}>
                  {field.typed}
                </Line>
              ))}
              {entered.map((field) => (
                <Line key={field.name} term={label(field.name)}>
                  <AsTyped field={field} />
                </Line>
              ))}
            </dl>
          </section>
          <section>
            <Results names={SHOWN} title="Worked out" />
            {job.verdicts
              .filter((verdict) => verdict.question !== "bite" && verdict.links.length > 0)
              .map(({ question }) => (
                <div key={question} className="mt-4">
                  <Results names={SHOWN_OF[question] ?? []} title={QUESTION_LABELS[question]} />
                </div>
              ))}
            <h2 className="mt-6 border-b border-ink pb-1 text-head font-bold">Assumed, not entered</h2>
            <dl>
              {job.assumptions.map((assumption) => (
                <Line key={assumption.name} term={assumption.label}>
                  {assumption.value ? <Figure value={assumption.value} /> : assumption.option} [
                  {assumption.mark}]
                </Line>
              ))}
            </dl>
          </section>
        </div>
        {notes && (
          <section className="mt-6">
            <h2 className="border-b border-ink pb-1 text-head font-bold">Notes</h2>
            <p className="whitespace-pre-wrap pt-2">{notes}</p>
          </section>
        )}
        <p className="mt-6 border-t border-ink pt-3 text-note text-soft">
          A calculation, not a certificate. The vehicle's manual, the kit maker's sheet, the law where the
          work is done and a qualified technician come first. Figures marked memory or practice are typical,
          not guaranteed.
        </p>
      </article>
    </Scroll>
  );
}

const PLAN = { entries: [], build: "" };

/** What a driver will feel of it, and the alternatives that were looked at, where anything differs from what was found. */
function Changes({ id, revision }: { id: number; revision: number }) {
  const builds = useAgainst(id, revision, PLAN).data?.builds.slice(1) ?? [];
  const told = builds.filter((build) => build.says.length > 0 || build.parts.length > 0);
  if (told.length === 0) return null;
  return (
    <section className="mt-6" data-testid="sheet-changes">
      <h2 className="border-b border-ink pb-1 text-head font-bold">Against what was found</h2>
      {told.map((build) => (
        <p key={build.name} className="pt-2">
          <b>{build.label}:</b> {[...build.says].join(", ") || "nothing a driver would feel differs"}.
          <span className="block text-note">
            {build.parts.map((part) => `${part.name} ${part.label.toLowerCase()}`).join(", ")}
          </span>
        </p>
      ))}
    </section>
  );
}

function Line({ term, children }: { term: string; children: React.ReactNode }) {
  return (
    <div className="flex items-baseline justify-between gap-4 border-b border-hair py-1">
      <dt>{term}</dt>
      <dd className="text-right">{children}</dd>
    </div>
  );
}

function AsTyped({ field }: { field: Field }) {
  return (
    <>
      <span className="figure font-bold">{field.typeset}</span>
      {field.value && (
        <span className="ml-2 text-note text-soft">
          <Figure value={field.value} />
        </span>
      )}
    </>
  );
}
