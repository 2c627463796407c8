import { keepPreviousData, useMutation, useQueryClient } from "@tanstack/react-query";
import { requestName } from "@/lib/request";
import { patiently } from "@/lib/waiting";
import { client, notNow, of, type ProofStatement, queries, Refusal, sendFile, taken } from "./client";
import type { components } from "./schema";

type Schemas = components["schemas"];
export type Prove = Schemas["ProveOut"];
export type Drive = Schemas["DriveOut"];
export type ProofChange = ProofStatement;
/** Says something in Prove; a refusal comes back as a sentence. */
export type SayProof = (change: ProofChange) => Promise<string | null>;

const proveKey = (id: number) => ["get", "/api/jobs/{job_id}/prove", of(id)] as const;

/** Where a job stands in Prove. */
export const useProve = (id: number, change: number) =>
  queries.useQuery(
    "get",
    "/api/jobs/{job_id}/prove",
    { ...of(id), change },
    { placeholderData: keepPreviousData, refetchOnWindowFocus: true },
  );

export function useSayOfProof(id: number): SayProof {
  const cache = useQueryClient();
  const say = useMutation({
    mutationFn: (change: ProofChange) => {
      const body = { key: "", ...change, who: "", request: requestName() };
      return patiently(() => taken(client.POST("/api/jobs/{job_id}/prove", { ...of(id), body })), notNow, {
        address: `/api/jobs/${id}/prove`,
        body,
        what: `${change.kind} ${change.key ?? ""}`,
      });
    },
    onSuccess: (prove) => cache.setQueriesData({ queryKey: proveKey(id) }, prove),
  });
  return async (change) => {
    try {
      await say.mutateAsync(change);
      return null;
    } catch (error) {
      return error instanceof Refusal ? error.message : "It could not be kept; try again.";
    }
  };
}

/** A cause that was found: into the record, its parts onto the list, how far the job goes. */
export function useCloseFault(id: number) {
  const cache = useQueryClient();
  return async (cause: string): Promise<string | null> => {
    try {
      const prove = await taken(
        client.POST("/api/jobs/{job_id}/fault/close", {
          ...of(id),
          body: { cause, who: "" },
        }),
      );
      cache.setQueriesData({ queryKey: proveKey(id) }, prove);
      return null;
    } catch (error) {
      return error instanceof Refusal ? error.message : "It could not be kept; try again.";
    }
  };
}

export type LogTop = Schemas["LogTopOut"];
/** Of a log that is enough to see its columns [bytes]. */
const TOP = 65_536;

/** The columns of a log, and what each may be. */
export const logColumns = async (id: number, file: File): Promise<LogTop> => {
  const top = new File([file.slice(0, TOP)], file.name);
  return (await sendFile(`/api/jobs/${id}/log/columns`, top, "text/csv")).json();
};

export type DriveFile = { file: File; columns: string };

/** A logger's file against the job, by its headings or by columns that were picked; nothing is kept. */
export const useReadDrive = (id: number) =>
  useMutation({
    mutationFn: async ({ file, columns }: DriveFile): Promise<{ name: string; drive: Drive }> => {
      const query = columns ? `?${new URLSearchParams({ columns })}` : "";
      return {
        name: file.name,
        drive: await (await sendFile(`/api/jobs/${id}/log${query}`, file, "text/csv")).json(),
      };
    },
  });
