import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import {
  client,
  type EntryIn,
  type Flywheel,
  type Job,
  type Launch,
  type Section,
  seen,
  taken,
} from "./client";

const jobKey = (id: number) => ["job", id] as const;

export const useCatalogue = () =>
  useQuery({
    queryKey: ["catalogue"],
    queryFn: () => taken(client.GET("/api/catalogue")),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The jobs that match, page after page; asked again while lines are still being worked out. */
export const useJobs = (archived: boolean, find: string) =>
  useInfiniteQuery({
    queryKey: ["jobs", archived, find],
    queryFn: ({ pageParam: first, signal }) =>
      taken(client.GET("/api/jobs", { params: { query: { archived, find, first } }, signal })),
    initialPageParam: 0,
    getNextPageParam: (page) => {
      const next = page.first + page.jobs.length;
      return next < page.count ? next : undefined;
    },
    placeholderData: keepPreviousData,
    refetchInterval: (query) => (query.state.data?.pages.some((page) => page.waits) ? 1000 : false),
  });

export const useJob = (id: number) =>
  useQuery({
    queryKey: jobKey(id),
    queryFn: () => taken(client.GET("/api/jobs/{job_id}", { params: { path: { job_id: id } } })),
  });

/** What the job would say with entries that are not kept yet. */
export const usePreview = (id: number, revision: number, entries: EntryIn[]) =>
  useQuery({
    queryKey: ["preview", id, revision, entries],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/preview", {
          params: { path: { job_id: id } },
          body: { entries },
          signal,
        }),
      ),
    enabled: entries.length > 0,
    placeholderData: keepPreviousData,
    gcTime: 5_000,
  });

/** A job as found against the same as planned, with what is typed and tried. */
export const useAgainst = (id: number, revision: number, entries: EntryIn[]) =>
  useQuery({
    queryKey: ["against", id, revision, entries],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/against", {
          params: { path: { job_id: id } },
          body: { entries },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 5_000,
  });

/** Alternatives for one part of a job, with what is typed and tried. */
export const useBeside = (
  name: "cylinders" | "instructions",
  id: number,
  revision: number,
  entries: EntryIn[],
) =>
  useQuery({
    queryKey: ["beside", name, id, revision, entries],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/beside/{name}", {
          params: { path: { job_id: id, name } },
          body: { entries },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 5_000,
  });

type Looked = "section" | "launch" | "flywheel";

/** A view of the workbench with what is typed and tried; while the next one is on its way the last one stays. */
function useLook<T extends Looked>(view: T, id: number, revision: number, entries: EntryIn[]) {
  return useQuery({
    queryKey: [view, id, revision, entries],
    queryFn: ({ signal }) =>
      taken(
        client.POST(`/api/jobs/{job_id}/${view}` as "/api/jobs/{job_id}/section", {
          params: { path: { job_id: id } },
          body: { entries },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 20_000,
  });
}

export const useSection = (id: number, revision: number, entries: EntryIn[]) =>
  useLook("section", id, revision, entries) as unknown as { data: Section | undefined; error: Error | null };

export const useLaunch = (id: number, revision: number, entries: EntryIn[]) =>
  useLook("launch", id, revision, entries) as unknown as { data: Launch | undefined; error: Error | null };

export const useFlywheel = (id: number, revision: number, entries: EntryIn[]) =>
  useLook("flywheel", id, revision, entries) as unknown as {
    data: Flywheel | undefined;
    error: Error | null;
  };

export const useMoves = (id: number, revision: number, entries: EntryIn[], result: string) =>
  useQuery({
    queryKey: ["moves", id, revision, entries, result],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/moves", {
          params: { path: { job_id: id } },
          body: { entries, result },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const useWorking = (
  id: number,
  revision: number,
  quantity: string,
  planned: boolean,
  friction: number,
  entries: EntryIn[],
) =>
  useQuery({
    queryKey: ["working", id, revision, quantity, planned, friction, entries],
    queryFn: () =>
      taken(
        client.POST("/api/jobs/{job_id}/working", {
          params: { path: { job_id: id } },
          body: { quantity, planned, friction, entries },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const useAsk = (id: number, revision: number, entries: EntryIn[], result: string, target: string) =>
  useQuery({
    queryKey: ["ask", id, revision, entries, result, target],
    queryFn: () =>
      taken(
        client.POST("/api/jobs/{job_id}/ask", {
          params: { path: { job_id: id } },
          body: { entries, result, target: target || null },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const useHistory = (id: number, revision: number) =>
  useQuery({
    queryKey: ["history", id, revision],
    queryFn: () => taken(client.GET("/api/jobs/{job_id}/history", { params: { path: { job_id: id } } })),
    placeholderData: keepPreviousData,
  });

/** Keeps a job that came back from a change, and lets the lists be read again. */
export function useKeepJob() {
  const cache = useQueryClient();
  return (job: Job) => {
    cache.setQueryData(jobKey(job.id), job);
    void cache.invalidateQueries({ queryKey: ["jobs"] });
  };
}

/** Reads a job again from the server. */
export function useReread() {
  const cache = useQueryClient();
  return (id: number) =>
    cache.fetchQuery({
      queryKey: jobKey(id),
      queryFn: () => taken(client.GET("/api/jobs/{job_id}", { params: { path: { job_id: id } } })),
      staleTime: 0,
    });
}

/** Changes of one job go one after the other, each on the revision this tab has seen when its turn comes. */
export function useChange<T>(id: number, call: (change: T, headers: { "If-Match": string }) => Promise<Job>) {
  const cache = useQueryClient();
  const keep = useKeepJob();
  return useMutation({
    mutationFn: (change: T) => call(change, seen(cache.getQueryData<Job>(jobKey(id))?.revision ?? 0)),
    onSuccess: keep,
    scope: { id: `job-${id}` },
  });
}

export const useEnter = (id: number) =>
  useChange(id, (entries: EntryIn[], headers) =>
    taken(
      client.POST("/api/jobs/{job_id}/entries", {
        params: { path: { job_id: id } },
        body: { entries },
        headers,
      }),
    ),
  );

export const useTurn = (id: number) =>
  useChange(id, (way: "undo" | "redo", headers) =>
    taken(client.POST(`/api/jobs/{job_id}/${way}`, { params: { path: { job_id: id } }, headers })),
  );

export function useArchive() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: ({ id, change, archived }: { id: number; change: number; archived: boolean }) =>
      taken(
        client.PUT("/api/jobs/{job_id}/archived", {
          params: { path: { job_id: id } },
          body: { archived: archived },
          headers: seen(change),
        }),
      ),
    onError: () => cache.invalidateQueries({ queryKey: ["jobs"] }),
    onSuccess: ({ id }) => {
      void cache.invalidateQueries({ queryKey: jobKey(id) });
      return cache.invalidateQueries({ queryKey: ["jobs"] });
    },
  });
}
