import { type DragEvent, useEffect, useRef, useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { client, type Field, type Proposal, Refusal, taken } from "@/api/client";
import { useCatalogue } from "@/api/queries";
import { Refused } from "@/components/Refused";
import { base64Of, MOST_BYTES } from "@/lib/files";
import { useJobEditor } from "@/lib/useJobEditor";
import { MappingSheet, type Spoken } from "./MappingSheet";

/** A curve: drop a file, see how it is read, confirm. */
export function CurveRow({ name }: { name: string }) {
  const editor = useJobEditor();
  const catalogue = useCatalogue();
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [reading, setReading] = useState<string | null>(null);
  const { state } = useLocation();
  const navigate = useNavigate();
  const info = catalogue.data?.inputs.find((input) => input.name === name);
  const field = editor.field(name);

  const take = async (file: File | undefined) => {
    if (!file) return;
    setTrouble(null);
    if (file.size > MOST_BYTES) {
      return setTrouble(
        `${file.name} is larger than 3 MB; a dynamometer run is far smaller. Is it the right file?`,
      );
    }
    setReading(file.name);
    try {
      const body = { name: file.name, data: await base64Of(file) };
      setProposal(await taken(client.POST("/api/curves/propose", { body })));
    } catch (error) {
      setTrouble(`${file.name}: ${error instanceof Refusal ? error.message : "it could not be read."}`);
    } finally {
      setReading(null);
    }
  };

  // a file that was dropped on the jobs begins there, and is read here
  const brought = useRef(false);
  useEffect(() => {
    const file: unknown = state?.run;
    if (brought.current || !(file instanceof File) || name !== "measured_curve") return;
    brought.current = true;
    void take(file);
    navigate(".", { replace: true, state: null });
  });

  if (!info || !field) return null;
  const vehicleClass = editor.picked("vehicle_class")?.option ?? "";
  const layout = editor.picked("layout")?.option ?? "";
  /** What a file says of its figures, as choices of the job: a word of the file goes before what stands there. */
  const spoken = (of: Proposal): Spoken[] =>
    Object.entries(of.spoken).flatMap(([choice, agree]) => {
      const known = catalogue.data?.choices.find((each) => each.name === choice);
      const stands = editor.picked(choice)?.option;
      if (!known || !stands || name !== "measured_curve") return [];
      const options = known.options.filter(({ layouts }) => !layouts.length || layouts.includes(layout));
      const told = agree.includes(stands)
        ? stands
        : options.find(({ value }) => agree.includes(value))?.value;
      return [{ name: choice, label: known.label, option: told ?? stands, options }];
    });
  return (
    <div className="py-2" data-row={name}>
      <p className="font-semibold">{info.label}</p>
      <Held field={field} />
      <Drop label={field.curve ? "Drop another file here" : "Drop a CSV file here"} onFile={take} />
      {reading && (
        <p role="status" className="mt-2">
          Reading {reading} …
        </p>
      )}
      <Refused why={trouble} className="mt-2" />
      {proposal && (
        <MappingSheet
          proposal={proposal}
          onCancel={() => setProposal(null)}
          vehicleClass={vehicleClass}
          spoken={spoken(proposal)}
          onTake={(mapping, picked) => {
            const file = { name: proposal.name, text: proposal.text, mapping, vehicle_class: vehicleClass };
            const choices = Object.entries(picked)
              .filter(([choice, option]) => editor.picked(choice)?.option !== option)
              .map(([quantity, typed]) => ({ quantity, typed }));
            editor.put([{ quantity: name, typed: proposal.name, file }, ...choices]);
            setProposal(null);
          }}
        />
      )}
    </div>
  );
}

function Held({ field }: { field: Field }) {
  if (!field.curve) return <p className="text-note text-soft">No file yet.</p>;
  return (
    <div className="mt-1">
      <p>
        <span className="figure font-bold">{field.typed}</span>
        <span className="text-soft">, {field.points} points</span>
      </p>
      {field.notes.map((note) => (
        <p key={note} className="text-note text-soft">
          {note}
        </p>
      ))}
    </div>
  );
}

function Drop({ label, onFile }: { label: string; onFile: (file: File | undefined) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    onFile(event.dataTransfer.files[0]);
  };
  return (
    <>
      <button
        type="button"
        onClick={() => picker.current?.click()}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={onDrop}
        className={`mt-2 block min-h-16 w-full rounded-cut border-2 border-dashed px-4 py-3 text-left ${
          over ? "border-now bg-now-wash" : "border-line bg-sheet hover:border-ink"
        }`}
      >
        <span className="font-semibold">{label}</span>
        <span className="block text-note text-soft">
          or choose one: rpm with torque, power or both, in any order
        </span>
      </button>
      <input
        ref={picker}
        type="file"
        accept=".csv,.txt,.tsv,.dat,text/*"
        className="sr-only"
        tabIndex={-1}
        aria-label="Dynamometer file"
        onChange={(event) => {
          onFile(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
    </>
  );
}
