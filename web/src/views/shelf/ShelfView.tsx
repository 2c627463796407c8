import { useEffect, useState } from "react";
import type { CsvRead, Part, Shelf } from "@/api/client";
import { Refusal } from "@/api/client";
import { readCsv, useChangePart, usePart, useShelf } from "@/api/shelf";
import { FileButton } from "@/components/FileButton";
import { More } from "@/components/More";
import { TopBar } from "@/components/TopBar";
import { useAddress } from "@/lib/address";
import { CsvSheet } from "./CsvSheet";
import { PartSheet } from "./PartSheet";
import { useSays } from "./useSays";

/** The shelf of the shop: parts with what their maker's sheet says, for use in any job. */
export function ShelfView() {
  const [search, put] = useAddress();
  const archived = search.has("archived");
  const slot = search.get("slot") ?? "disc";
  const words = search.get("find") ?? "";
  const pages = useShelf({ archived, slot: words ? "" : slot, find: words });
  const [shelf] = pages.data?.pages ?? [];
  const editing = search.get("part");
  const edited = usePart(editing && editing !== "new" ? Number(editing) : null);
  const [undo, setUndo] = useState<{ says: string; turn: () => void } | null>(null);
  useEffect(() => {
    document.title = "Shelf · Lift Bite";
  }, []);
  if (!shelf) return <p className="p-8">{pages.error?.message ?? "Opening the shelf …"}</p>;
  const shown = pages.data?.pages.flatMap((page) => page.parts) ?? [];
  return (
    <div className="flex min-h-full flex-col">
      <TopBar />
      <main className="mx-auto grid w-full max-w-[84rem] grow content-start gap-x-8 gap-y-4 px-5 py-5 tablet:grid-cols-[13rem_1fr]">
        <Kinds shelf={shelf} slot={slot} onSlot={(next) => put({ slot: next, find: null })} />
        <section aria-labelledby="shelf">
          <div className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
            <h1 id="shelf" className="text-big font-bold">
              {archived ? "Archive" : "Shelf"}
            </h1>
            <p className="flex flex-wrap items-center gap-3">
              <input
                type="search"
                aria-label="Search the shelf"
                placeholder="Search all kinds"
                value={words}
                onChange={(event) => put({ find: event.target.value || null })}
                className="h-9 w-52 rounded-cut border border-line bg-sheet px-2"
              />
              <button type="button" className="button" onClick={() => put({ part: "new" })}>
                New part
              </button>
              <BringCsv />
              <a className="button" href="/api/shelf.csv" download>
                Save as CSV
              </a>
            </p>
          </div>
          {undo && (
            <p role="status" className="flex items-center gap-3 border-b border-hair py-1 text-note">
              {undo.says}
              <button
                type="button"
                className="plain-link min-h-6 font-semibold"
                onClick={() => {
                  undo.turn();
                  setUndo(null);
                }}
              >
                Undo
              </button>
            </p>
          )}
          <Parts
            parts={shown}
            archived={archived}
            bySlot={words !== ""}
            shelf={shelf}
            onEdit={(id) => put({ part: String(id) })}
            onUndo={setUndo}
          />
          <More list={pages} shown={shown.length} count={shelf.count} />
          {(archived || shelf.archived > 0) && (
            <button
              type="button"
              className="plain-link mt-4 min-h-9"
              onClick={() => put({ archived: archived ? null : "" })}
            >
              {archived ? "Back to the shelf" : `${shelf.archived} archived`}
            </button>
          )}
        </section>
      </main>
      {editing && (editing === "new" || edited.data) && (
        <PartSheet
          key={`${editing} ${search.has("copy")}`}
          shelf={shelf}
          part={editing === "new" ? null : (edited.data ?? null)}
          slot={slot}
          copy={search.has("copy")}
          onClose={() => put({ part: null, copy: null })}
          onCopy={() => put({ part: editing, copy: "" })}
          onUndo={setUndo}
        />
      )}
    </div>
  );
}

function Kinds({ shelf, slot, onSlot }: { shelf: Shelf; slot: string; onSlot: (slot: string) => void }) {
  return (
    <nav aria-label="Kinds of parts" className="flex flex-wrap gap-x-1 tablet:flex-col">
      {shelf.slots.map((kind) => (
        <button
          key={kind.slot}
          type="button"
          aria-current={kind.slot === slot}
          onClick={() => onSlot(kind.slot)}
          className={`flex min-h-9 justify-between gap-2 border-b border-hair px-1 text-left ${
            kind.slot === slot ? "border-b-2 border-b-ink font-bold" : "hover:underline"
          }`}
        >
          {kind.label}
          <span className="figure text-note text-soft">{kind.count}</span>
        </button>
      ))}
    </nav>
  );
}

type Turn = { says: string; turn: () => void };

function Parts({
  parts,
  archived,
  bySlot,
  shelf,
  onEdit,
  onUndo,
}: {
  parts: Part[];
  archived: boolean;
  bySlot: boolean;
  shelf: Shelf;
  onEdit: (id: number) => void;
  onUndo: (turn: Turn | null) => void;
}) {
  const change = useChangePart();
  const says = useSays();
  if (parts.length === 0) return <p className="py-6 text-soft">Nothing here yet.</p>;
  return (
    <table className="w-full" data-testid="shelf">
      <tbody>
        {parts.map((part) => (
          <tr key={part.id} className="border-b border-hair align-baseline">
            <th scope="row" className="w-[32%] py-2 pr-3 text-left font-normal">
              <button
                type="button"
                className="plain-link text-left font-bold"
                onClick={() => onEdit(part.id)}
              >
                {part.name}
              </button>
              {bySlot && (
                <span className="block text-note">
                  {shelf.slots.find((kind) => kind.slot === part.slot)?.label}
                </span>
              )}
              <span className="block text-note text-soft">{part.source}</span>
            </th>
            <td className="py-2 text-note">{says(part.values)}</td>
            <td className="figure py-2 pl-3 text-right">{part.price > 0 ? part.price.toFixed(0) : ""}</td>
            <td className="py-2 pl-3 text-right">
              <button
                type="button"
                className="plain-link min-h-6 whitespace-nowrap text-note text-soft"
                aria-label={`${archived ? "Put back" : "Archive"}: ${part.name}`}
                onClick={() => {
                  const { id, version } = part;
                  change.mutate({ id, version, archived: !archived });
                  onUndo({
                    says: `${part.name} is ${archived ? "back on the shelf" : "archived"}.`,
                    turn: () => change.mutate({ id, version: version + 1, archived }),
                  });
                }}
              >
                {archived ? "Put back" : "Archive"}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A CSV file is shown row by row before anything is taken in. */
function BringCsv() {
  const [read, setRead] = useState<{ name: string; text: string; told: CsvRead } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const bring = async (file: File) => {
    setTrouble(null);
    try {
      const text = await file.text();
      setRead({ name: file.name, text, told: await readCsv(text) });
    } catch (error) {
      setTrouble(error instanceof Refusal ? `${file.name}: ${error.message}` : "The file could not be read.");
    }
  };
  return (
    <>
      <FileButton name="Shelf file" onFile={(file) => void bring(file)}>
        Bring a CSV
      </FileButton>
      {trouble && (
        <span role="alert" className="basis-full font-semibold">
          ▲ {trouble}
        </span>
      )}
      {read && <CsvSheet {...read} onClose={() => setRead(null)} />}
    </>
  );
}
