import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, queries, sendFile, taken } from "./client";
import type { components } from "./schema";

/** The shop's file and its copies. */
export const useUpkeep = () => queries.useQuery("get", "/api/backups", {}, { refetchInterval: 60_000 });

export function useBackUp() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: () => taken(client.POST("/api/backups")),
    onSuccess: (upkeep) => cache.setQueryData(["get", "/api/backups", {}], upkeep),
  });
}

export type Transfer = components["schemas"]["TransferOut"];
export type Decided = Record<string, "leave" | "copy" | "update">;
/** How much of an archive goes in one request [bytes]. */
const PIECE = 4 * 2 ** 20;
const LOOK = 500;

const said = (error: unknown) => (error instanceof Error ? error.message : "It could not be done.");
const rest = () => new Promise((done) => setTimeout(done, LOOK));
const howFar = (name: string) =>
  taken(client.GET("/api/archive/transfers/{name}", { params: { path: { name } } }));

/** Looks how far an archive is until it is through, and says so on the way. */
async function followed(begun: Transfer, tell: (at: Transfer) => void): Promise<Transfer> {
  let at = begun;
  for (tell(at); at.state === "working"; tell(at)) {
    await rest();
    at = await howFar(at.name);
  }
  if (at.state === "failed") throw new Error(at.trouble);
  return at;
}

/** Writes all of the shop into an archive, says how far it is, and saves it. */
export function useSaveArchive() {
  const [at, setAt] = useState<Transfer | null>(null);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const start = async () => {
    setBusy(true);
    setTrouble(null);
    try {
      const done = await followed(await taken(client.POST("/api/archive/out")), setAt);
      location.assign(`/api/archive/out/${done.name}.zip`);
    } catch (error) {
      setTrouble(said(error));
    } finally {
      setBusy(false);
    }
  };
  return { at, busy, trouble, start };
}

/** Sends an archive piece by piece, has it read, and says how far it is; what is asked is decided and read again. */
export function useBringArchive() {
  const cache = useQueryClient();
  const [at, setAt] = useState<Transfer | null>(null);
  const [file, setFile] = useState({ sent: null as number | null, size: 0 });
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const read = async (name: string, decided: Decided) => {
    const params = { path: { name } };
    await followed(
      await taken(client.POST("/api/archive/in/{name}/read", { params, body: { decided } })),
      setAt,
    );
    await cache.invalidateQueries();
  };
  const carefully = async (work: () => Promise<void>) => {
    setBusy(true);
    setTrouble(null);
    try {
      await work();
    } catch (error) {
      setTrouble(said(error));
    } finally {
      setFile((now) => ({ ...now, sent: null }));
      setBusy(false);
    }
  };
  const start = (chosen: File) =>
    carefully(async () => {
      setAt(null);
      const begun = await taken(client.POST("/api/archive/in"));
      for (let sent = 0; sent < chosen.size; sent += PIECE) {
        setFile({ sent, size: chosen.size });
        const address = `/api/archive/in/${begun.name}?at=${sent}`;
        await sendFile(address, chosen.slice(sent, sent + PIECE), "application/octet-stream", "PUT");
      }
      setFile({ sent: null, size: chosen.size });
      await read(begun.name, {});
    });
  const decide = (decided: Decided) => carefully(() => (at ? read(at.name, decided) : Promise.resolve()));
  return { at, busy, trouble, ...file, start, decide };
}

/** What the shop's own jobs teach. */
export const useLearned = () => queries.useQuery("get", "/api/shop/learned");
