import { useState } from "react";
import { Link } from "react-router";
import { type Decided, type Transfer, useBringArchive, useSaveArchive } from "@/api/upkeep";
import { FileButton } from "@/components/FileButton";
import { sizeSaid } from "@/lib/size";

const DECISIONS = {
  leave: "Leave it as it is here",
  copy: "Bring it as a second one",
  update: "Take what is brought",
};

/** Everything in open formats: out as one archive, and such an archive in. */
export function Whole() {
  const save = useSaveArchive();
  const bring = useBringArchive();
  return (
    <section aria-labelledby="whole">
      <h2 id="whole" className="mt-6 border-b border-ink pb-1 text-head font-bold">
        Everything in one archive
      </h2>
      <p className="py-2">
        Jobs, shelf, instruments, practices, steps, units and photos, in open formats. Brought into another
        shop, what is there already is not doubled; what stands otherwise there is asked about.
      </p>
      <p className="flex flex-wrap items-center gap-4">
        <button
          type="button"
          className="button min-h-11"
          disabled={save.busy}
          onClick={() => void save.start()}
        >
          {save.busy ? "Writing …" : "Save the archive"}
        </button>
        <FileButton
          name="Archive"
          accept=".zip,application/zip"
          className="button min-h-11"
          onFile={(file) => void bring.start(file)}
        >
          Bring an archive
        </FileButton>
      </p>
      {save.at && save.busy && <Progress transfer={save.at} verb="written" />}
      {bring.sent !== null && (
        <p role="status" className="py-2">
          {sizeSaid(bring.sent)} of {sizeSaid(bring.size)} sent
        </p>
      )}
      {bring.at && bring.busy && bring.sent === null && <Progress transfer={bring.at} verb="read" />}
      {(save.trouble ?? bring.trouble) && (
        <p role="alert" className="py-2 font-semibold">
          ▲ {save.trouble ?? bring.trouble}
        </p>
      )}
      {bring.at?.brought && bring.at.state === "done" && (
        <Brought brought={bring.at.brought} onDecide={bring.decide} />
      )}
    </section>
  );
}

function Progress({ transfer, verb }: { transfer: Transfer; verb: string }) {
  const { done, total } = transfer;
  return (
    <p role="status" className="flex flex-wrap items-center gap-3 py-2">
      <progress className="h-3 w-60" max={Math.max(total, 1)} value={done} aria-label={`Files ${verb}`} />
      {done} of about {total} files {verb}
    </p>
  );
}

type BroughtOut = NonNullable<Transfer["brought"]>;

const COUNTED: readonly [keyof BroughtOut, string, string][] = [
  ["jobs", "new job", "new jobs"],
  ["updated", "job went on", "jobs went on"],
  ["already", "job was here as it is", "jobs were here as they are"],
  ["parts", "new part", "new parts"],
  ["photos", "new photo", "new photos"],
  ["instruments", "new instrument", "new instruments"],
  ["said", "practice of the shop", "practices of the shop"],
];

/** What an archive brought, and what stands otherwise here: somebody says what is to be done. */
function Brought({ brought, onDecide }: { brought: BroughtOut; onDecide: (decided: Decided) => void }) {
  const [decided, setDecided] = useState<Decided>({});
  const told = COUNTED.flatMap(([name, one, many]) => {
    const count = brought[name] as number;
    return count ? [`${count} ${count === 1 ? one : many}`] : [];
  });
  return (
    <div className="py-2" data-testid="brought">
      <p role="status">{told.length > 0 ? `${told.join(", ")}.` : "Nothing in it is new here."}</p>
      {brought.faults.length > 0 && (
        <details open={brought.faults.length < 20}>
          <summary className="min-h-11 font-semibold">{brought.faults.length} files were not read</summary>
          {brought.faults.map((fault) => (
            <p key={fault} className="text-note">
              ▲ {fault}
            </p>
          ))}
        </details>
      )}
      {brought.changed.length > 0 && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            onDecide(decided);
          }}
        >
          <h3 className="mt-3 font-bold">Otherwise here: what is to be done?</h3>
          {brought.changed.map((each) => (
            <label key={each.key} className="flex flex-wrap items-center gap-3 border-b border-hair py-2">
              <span className="grow">
                {each.job ? (
                  <Link className="plain-link font-semibold" to={`/jobs/${each.job}/record`}>
                    {each.what}
                  </Link>
                ) : (
                  <b>{each.what}</b>
                )}
                : {each.says}
              </span>
              <select
                aria-label={each.what}
                className="h-11 rounded-cut border border-line bg-sheet px-1"
                value={decided[each.key] ?? "leave"}
                onChange={(event) =>
                  setDecided({ ...decided, [each.key]: event.target.value as Decided[string] })
                }
              >
                {(["leave", ...each.offered] as const).map((offer) => (
                  <option key={offer} value={offer}>
                    {DECISIONS[offer]}
                  </option>
                ))}
              </select>
            </label>
          ))}
          <button type="submit" className="button mt-3 min-h-11" disabled={Object.keys(decided).length === 0}>
            Do it
          </button>
        </form>
      )}
    </div>
  );
}
