import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { client, type FindIn, type PartIn, seen, type TakeIn, taken } from "./client";
import { useChange } from "./queries";

/** The whole shelf, or its archive. */
export const useShelf = (archived = false) =>
  useQuery({
    queryKey: ["shelf", archived],
    queryFn: () => taken(client.GET("/api/shelf", { params: { query: { archived: archived } } })),
  });

export type PartChange =
  | { id: null; part: PartIn }
  | { id: number; version: number; part: PartIn }
  | { id: number; version: number; archived: boolean };

/** Adds a part, changes one, puts one away or back. */
export function useChangePart() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (change: PartChange) => {
      if ("archived" in change) {
        return taken(
          client.PUT("/api/shelf/{part_id}/archived", {
            params: { path: { part_id: change.id } },
            body: { archived: change.archived },
            headers: seen(change.version),
          }),
        );
      }
      if (change.id === null) return taken(client.POST("/api/shelf", { body: change.part }));
      return taken(
        client.PUT("/api/shelf/{part_id}", {
          params: { path: { part_id: change.id } },
          body: change.part,
          headers: seen(change.version),
        }),
      );
    },
    onSettled: () => cache.invalidateQueries({ queryKey: ["shelf"] }),
  });
}

export const readCsv = (text: string) =>
  taken(client.POST("/api/shelf/csv/preview", { body: { name: "", text } }));

export function useTakeCsv() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (text: string) => taken(client.POST("/api/shelf/csv", { body: { name: "", text } })),
    onSuccess: () => cache.invalidateQueries({ queryKey: ["shelf"] }),
  });
}

/** The parts of a kind, each with what it would make of the job. */
export const useOffers = (id: number, revision: number, slot: string) =>
  useQuery({
    queryKey: ["offers", id, revision, slot],
    queryFn: () =>
      taken(client.GET("/api/jobs/{job_id}/shelf", { params: { path: { job_id: id }, query: { slot } } })),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** Takes parts and figures into a job. */
export const useTake = (id: number) =>
  useChange(id, (body: TakeIn, headers) =>
    taken(client.POST("/api/jobs/{job_id}/take", { params: { path: { job_id: id } }, body, headers })),
  );

export const startFind = (id: number, body: FindIn) =>
  taken(client.POST("/api/jobs/{job_id}/finds", { params: { path: { job_id: id } }, body }));

export const cancelFind = (run: number) =>
  taken(client.DELETE("/api/finds/{run_id}", { params: { path: { run_id: run } } }));

/** A search on its way, asked about until it ends. */
export const useFind = (run: number | null) =>
  useQuery({
    queryKey: ["find", run],
    queryFn: () => taken(client.GET("/api/finds/{run_id}", { params: { path: { run_id: run ?? 0 } } })),
    enabled: run !== null,
    refetchInterval: (query) => (query.state.data && query.state.data.state !== "running" ? false : 250),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** Candidates side by side with the job as it is. */
export const useCompare = (id: number, revision: number, candidates: TakeIn[]) =>
  useQuery({
    queryKey: ["compare", id, revision, candidates],
    queryFn: () =>
      taken(
        client.POST("/api/jobs/{job_id}/compare", {
          params: { path: { job_id: id } },
          body: { candidates },
        }),
      ),
    enabled: candidates.length > 0,
    placeholderData: keepPreviousData,
  });
