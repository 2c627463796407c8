import { keepPreviousData, type QueryClient, useMutation, useQueryClient } from "@tanstack/react-query";
import { client, type FindIn, of, type PartIn, queries, seen, type TakeIn, taken } from "./client";
import { useChange } from "./queries";

type Page = { first: number; count: number; parts: readonly unknown[] };
const nextOf = (page: Page) => {
  const next = page.first + page.parts.length;
  return next < page.count ? next : undefined;
};

const PAGES = {
  pageParamName: "first",
  initialPageParam: 0,
  getNextPageParam: nextOf,
  placeholderData: keepPreviousData,
} as const;

/** The shelf, each of its parts, and what parts would make of a job are of before. */
const readAgain = (cache: QueryClient) =>
  cache.invalidateQueries({ predicate: ({ queryKey }) => String(queryKey[1]).includes("/shelf") });

/** The parts that match, page after page. */
export const useShelf = (query: { archived?: boolean; slot?: string; find?: string; most?: number }) =>
  queries.useInfiniteQuery("get", "/api/shelf", { params: { query } }, PAGES);

/** One part of the shelf. */
export const usePart = (id: number | null) =>
  queries.useQuery(
    "get",
    "/api/shelf/{part_id}",
    { params: { path: { part_id: id ?? 0 } } },
    { enabled: id !== null },
  );

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
    onSettled: () => readAgain(cache),
  });
}

export const readCsv = (text: string) =>
  taken(client.POST("/api/shelf/csv/preview", { body: { name: "", text } }));

export function useTakeCsv() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (text: string) => taken(client.POST("/api/shelf/csv", { body: { name: "", text } })),
    onSuccess: () => readAgain(cache),
  });
}

/** The parts of a kind that match, each with what it would make of the job, page after page. */
export const useOffers = (id: number, revision: number, slot: string, find: string) =>
  queries.useInfiniteQuery(
    "get",
    "/api/jobs/{job_id}/shelf",
    { params: { path: { job_id: id }, query: { slot, find } }, revision },
    { ...PAGES, retry: false },
  );

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
  queries.useQuery(
    "get",
    "/api/finds/{run_id}",
    { params: { path: { run_id: run ?? 0 } } },
    {
      enabled: run !== null,
      refetchInterval: (query) => (query.state.data && query.state.data.state !== "running" ? false : 250),
      placeholderData: keepPreviousData,
      retry: false,
    },
  );

/** Candidates side by side with the job as it is. */
export const useCompare = (id: number, revision: number, candidates: TakeIn[]) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/compare",
    { ...of(id), body: { candidates }, revision },
    { enabled: candidates.length > 0, placeholderData: keepPreviousData },
  );
