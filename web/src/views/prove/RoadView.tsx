import { type DragEvent, useState } from "react";
import type { OptionOf } from "@/api/client";
import { type Drive, useReadDrive } from "@/api/prove";
import { Figure } from "@/components/Figure";
import { FileButton } from "@/components/FileButton";
import { Refused } from "@/components/Refused";
import { Scroll } from "@/components/Scroll";
import { useJobEditor } from "@/lib/useJobEditor";
import { moment } from "@/lib/words";
import { DriveChart } from "./DriveChart";
import { LogColumns } from "./LogColumns";
import { useProof } from "./Prove";

/** A logger's drive: dropped here, read against the job, kept where it is worth keeping. */
export function RoadView() {
  const { entered: job } = useJobEditor();
  const { prove } = useProof();
  const read = useReadDrive(job.id);
  const take = (file: File) => read.mutate({ file, columns: "" });
  const drop = (event: DragEvent) => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (file) take(file);
  };
  return (
    <Scroll label="Road" className="h-full overflow-y-auto px-5 py-4">
      <section
        aria-label="Drop a log here"
        onDragOver={(event) => event.preventDefault()}
        onDrop={drop}
        className="mx-auto max-w-[72rem]"
      >
        <div className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
          <h1 className="text-big font-bold">On the road</h1>
          <FileButton name="Log" className="button min-h-11" onFile={take}>
            {read.isPending ? "Reading …" : "Read a log (CSV)"}
          </FileButton>
        </div>
        {!read.data && (
          <p className="max-w-prose py-3 text-soft">
            A logger's file with time, engine speed and the speed of the road or a shaft, throttle if there is
            one. Drop it anywhere here. To see one, let the simulated logger drive this vehicle:{" "}
            <a className="plain-link" href={`/api/jobs/${job.id}/simulated.csv?fault=none`} download>
              healthy
            </a>
            ,{" "}
            <a className="plain-link" href={`/api/jobs/${job.id}/simulated.csv?fault=slip`} download>
              slipping
            </a>{" "}
            or{" "}
            <a className="plain-link" href={`/api/jobs/${job.id}/simulated.csv?fault=slip_hot`} download>
              slipping hot
            </a>
            .
          </p>
        )}
        {read.error && (
          <p role="alert" className="py-3 font-semibold">
            ▲ {read.error.message}
          </p>
        )}
        {read.variables && (read.error || read.data) && (
          <LogColumns
            key={`${read.variables.file.name} ${read.variables.file.lastModified}`}
            file={read.variables.file}
            open={read.error !== null}
            onRead={(columns) => read.variables && read.mutate({ file: read.variables.file, columns })}
          />
        )}
        {read.data && <Read key={read.submittedAt} name={read.data.name} drive={read.data.drive} />}
        {prove.drives.length > 0 && (
          <section className="mt-6" aria-labelledby="kept">
            <h2 id="kept" className="lettering border-b border-ink pb-0.5">
              Drives kept
            </h2>
            {prove.drives.map(({ name, says, who, at }) => (
              <p key={name} className="border-b border-hair py-2">
                <b className="break-all">{name}</b>: {says}{" "}
                <span className="text-note text-soft">
                  {who} {moment(at)}
                </span>
              </p>
            ))}
          </section>
        )}
      </section>
    </Scroll>
  );
}

function Read({ name, drive }: { name: string; drive: Drive }) {
  const { prove, say } = useProof();
  const { put } = useJobEditor();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const [at, setAt] = useState<number | null>(null);
  const [how, setHow] = useState<string>(drive.how);
  const keep = () =>
    say({
      kind: "drive",
      key: name.slice(0, 120),
      said: {
        answer: "kept",
        says: drive.says.slice(0, 2).join(" ").slice(0, 400),
        friction: drive.friction === null ? "" : drive.friction.toFixed(3),
        share: drive.share === null ? "" : drive.share.toFixed(4),
        distance: drive.distance,
        starts: String(drive.starts),
        heat: drive.start_heat,
        how: how as OptionOf<"drive", "how">,
      },
    }).then((refused) => {
      setTrouble(refused);
      setKept(refused === null);
    });
  const slips = drive.events.filter(({ kind }) => kind === "slip");
  return (
    <div data-testid="drive">
      {drive.says.map((sentence, n) => (
        <p key={sentence} className={n === 0 ? "pt-3 text-state font-bold" : "max-w-prose pt-1 text-field"}>
          {sentence}
        </p>
      ))}
      {drive.notes.map((note) => (
        <p key={note} className="pt-1">
          ▲ {note}
        </p>
      ))}
      <DriveChart drive={drive} at={at} />
      <p className="flex flex-wrap gap-3 py-2">
        <label className="flex items-center gap-2 text-note">
          Counts for bedding-in: {drive.distance || "no distance"}, {drive.starts} starts, driven
          <select
            aria-label="How it was driven"
            value={how}
            onChange={(event) => setHow(event.target.value)}
            className="h-11 rounded-cut border border-line bg-sheet px-2"
          >
            {prove.running_in.hows.map(({ name: one, label }) => (
              <option key={one} value={one}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="button min-h-11" disabled={kept} onClick={keep}>
          {kept ? "Kept" : "Keep this drive"}
        </button>
        {Object.keys(drive.puts).length > 0 && (
          <button
            type="button"
            className="button min-h-11"
            onClick={() => put(Object.entries(drive.puts).map(([quantity, typed]) => ({ quantity, typed })))}
          >
            Take friction {drive.friction?.toFixed(3)} into Bite
          </button>
        )}
      </p>
      <Refused why={trouble} />
      {slips.length > 0 && (
        <div className="overflow-x-auto">
          <table className="mt-2 w-full" data-testid="slips">
            <thead>
              <tr className="border-b border-ink text-left text-note">
                <th className="py-1 pr-3 font-semibold">Slip</th>
                <th className="py-1 pr-3 font-semibold">Gear, engine</th>
                <th className="py-1 pr-3 font-semibold">Held</th>
                <th className="py-1 pr-3 font-semibold">Heat</th>
                <th className="py-1 font-semibold">Hottest</th>
              </tr>
            </thead>
            <tbody>
              {slips.map((event) => (
                <tr key={event.time} className="border-b border-hair align-baseline">
                  <td className="py-1 pr-3">
                    <button
                      type="button"
                      className="plain-link min-h-9 text-left"
                      onClick={() => setAt(event.time)}
                    >
                      {event.duration.toFixed(2)} s at {Math.floor(event.time / 60)}:
                      {(event.time % 60).toFixed(0).padStart(2, "0")}, {(100 * event.slip).toFixed(0)} %
                    </button>
                  </td>
                  <td className="py-1 pr-3">
                    {event.gear}, <Figure value={event.speed} />
                  </td>
                  <td className="py-1 pr-3">
                    {event.torque ? <Figure value={event.torque.middle} /> : "not known"}
                  </td>
                  <td className="py-1 pr-3">{event.heat ? <Figure value={event.heat.middle} /> : "—"}</td>
                  <td className="py-1">{event.hottest ? <Figure value={event.hottest} /> : "—"}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <details className="mt-3">
        <summary className="plain-link inline-flex min-h-11 cursor-pointer items-center">
          How this was worked out, and what was taken for it
        </summary>
        {drive.working.map((line) => (
          <p key={line} className="max-w-prose py-1">
            {line}
          </p>
        ))}
      </details>
      <p className="pt-2 text-note text-soft">
        {drive.columns.map(({ heading, role, unit }) => `${role}: “${heading}” in ${unit}`).join("; ")}.{" "}
        {drive.minutes.toFixed(1)} min at {drive.rate.toFixed(0)} rows a second.
      </p>
    </div>
  );
}
