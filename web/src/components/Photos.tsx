import { useState } from "react";
import { photoAddress, usePhotoChange, usePhotos } from "@/api/photos";
import { Refused } from "@/components/Refused";
import { moment } from "@/lib/words";
import { ErasePhoto } from "./ErasePhoto";
import { FileButton } from "./FileButton";
import { Labelled } from "./Labelled";
import { Panel } from "./Panel";

type Props = {
  job: number;
  /** What a photo taken here is of: `job`, or `check:`, `step:`, `bag:` and its name. */
  of: string;
  /** True to show every photo of the job. */
  all?: boolean;
};

/** Photos of one thing of a job, and the camera to take another. */
export function Photos({ job, of, all = false }: Props) {
  const photos = usePhotos(job).data?.photos ?? [];
  const { send, busy } = usePhotoChange(job);
  const [open, setOpen] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const shown = photos.filter((photo) => all || photo.of === of);
  return (
    <section className="mt-4" aria-label="Photos" data-testid="photos">
      <div className="flex flex-wrap items-start gap-3">
        {shown.map((photo) => (
          <button
            key={photo.digest}
            type="button"
            className="w-28 text-left text-note"
            onClick={() => setOpen(photo.digest)}
            aria-label={`Photo: ${photo.label}${photo.words && `, ${photo.words}`}`}
          >
            {photo.here ? (
              <img
                src={photoAddress(job, photo.digest, true)}
                alt=""
                className="h-20 w-28 border border-ink object-cover"
              />
            ) : (
              <span className="grid h-20 w-28 place-items-center border border-line text-center text-soft">
                not brought along
              </span>
            )}
            <span className="line-clamp-2">{photo.words || (all ? photo.label : "")}</span>
          </button>
        ))}
        <FileButton
          name="Photo"
          accept="image/jpeg,image/png,image/webp"
          camera
          className="button min-h-12"
          onFile={(file) => void send({ bring: file, of }).then(setTrouble)}
        >
          {busy ? "Keeping it …" : "Take a photo"}
        </FileButton>
      </div>
      <Refused why={trouble} />
      {open && <PhotoPanel key={open} job={job} digest={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

/** One photo, large, with what is said of it. */
function PhotoPanel({ job, digest, onClose }: { job: number; digest: string; onClose: () => void }) {
  const photo = usePhotos(job).data?.photos.find((each) => each.digest === digest);
  const { send } = usePhotoChange(job);
  const [words, setWords] = useState(photo?.words ?? "");
  const [trouble, setTrouble] = useState<string | null>(null);
  const [erasing, setErasing] = useState(false);
  if (!photo) return null;
  const tell = async (change: Parameters<typeof send>[0]) => {
    const refused = await send(change);
    setTrouble(refused);
    if (!refused) onClose();
  };
  if (erasing) {
    return (
      <Panel title={`Erase: ${photo.label}`} onClose={onClose}>
        <ErasePhoto
          address={photoAddress(job, digest)}
          onErase={(boxes, reason, who) => void tell({ erase: digest, boxes, reason, who })}
          onLeave={() => setErasing(false)}
        />
        <Refused why={trouble} />
      </Panel>
    );
  }
  return (
    <Panel title={`Photo: ${photo.label}`} onClose={onClose}>
      {photo.here ? (
        <a href={photoAddress(job, digest)} target="_blank" rel="noreferrer">
          <img
            src={photoAddress(job, digest)}
            alt={photo.words || photo.label}
            className="w-full border border-ink"
          />
        </a>
      ) : (
        <p>
          The job file names this photo; it comes with the archive of the shop that took it, brought on the
          page Backups.
        </p>
      )}
      <p className="pt-2 text-note text-soft">
        {photo.who} {moment(photo.at)}
      </p>
      <form
        className="grid gap-3 pt-2"
        onSubmit={(event) => {
          event.preventDefault();
          void tell({ say: digest, of: photo.of, words });
        }}
      >
        <Labelled label="What it shows" value={words} maxLength={400} onText={setWords} />
        <div className="flex flex-wrap gap-3">
          <button type="submit" className="button min-h-11" disabled={words === photo.words}>
            Keep the words
          </button>
          <button
            type="button"
            className="button ml-auto min-h-11"
            onClick={() => void tell({ off: digest })}
          >
            Take it off the job
          </button>
          {photo.here && (
            <button type="button" className="button min-h-11" onClick={() => setErasing(true)}>
              Erase a plate or a face
            </button>
          )}
        </div>
      </form>
      <Refused why={trouble} />
    </Panel>
  );
}
