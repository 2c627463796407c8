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

/** What is typed and tried, and in which build; nothing is the plan. */
export type Looked = { entries: EntryIn[]; build: string };

export const useCatalogue = () =>
  useQuery({
    queryKey: ["catalogue"],
    queryFn: () => taken(client.GET("/api/catalogue")),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Which jobs of the list, and in which order. */
export type JobsWanted = {
  archived: boolean;
  find: string;
  question?: string;
  state?: string;
  sort?: "newest" | "changed" | "name" | "gravest";
};

/** The jobs that match, page after page; asked again while lines are still being worked out. */
export const useJobs = (wanted: JobsWanted) =>
  useInfiniteQuery({
    queryKey: ["jobs", wanted],
    queryFn: ({ pageParam: first, signal }) =>
      taken(client.GET("/api/jobs", { params: { query: { ...wanted, first } }, signal })),
    initialPageParam: 0,
    getNextPageParam: (page) => {
      const next = page.first + page.jobs.length;
      return next < page.count ? next : undefined;
    },
    placeholderData: keepPreviousData,
    refetchInterval: (query) => (query.state.data?.pages.some((page) => page.waits) ? 1000 : false),
  });

const readJob = (id: number, build: string) =>
  taken(client.GET("/api/jobs/{job_id}", { params: { path: { job_id: id }, query: { build } } }));

/** A job in one of its builds; nothing is the plan. */
export const useJob = (id: number, build = "") =>
  useQuery({ queryKey: [...jobKey(id), build], queryFn: () => readJob(id, build) });

/** What the job would say with entries that are not kept yet. */
export const usePreview = (id: number, revision: number, looked: Looked) =>
  useQuery({
    queryKey: ["preview", id, revision, looked],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/preview", {
          params: { path: { job_id: id } },
          body: looked,
          signal,
        }),
      ),
    enabled: looked.entries.length > 0,
    placeholderData: keepPreviousData,
    gcTime: 5_000,
  });

/** A job as found against the same as planned, with what is typed and tried. */
export const useAgainst = (id: number, revision: number, looked: Looked, others: number[]) =>
  useQuery({
    queryKey: ["against", id, revision, looked, others],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/against", {
          params: { path: { job_id: id } },
          body: { ...looked, others },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 5_000,
  });

/** What would settle most of what a job leaves open. */
export const useNext = (id: number, revision: number, build: string) =>
  useQuery({
    queryKey: ["next", id, revision, build],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/next", {
          params: { path: { job_id: id } },
          body: { entries: [], build },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 20_000,
  });

/** Alternatives for one part of a job, with what is typed and tried. */
export const useBeside = (name: "cylinders" | "instructions", id: number, revision: number, looked: Looked) =>
  useQuery({
    queryKey: ["beside", name, id, revision, looked],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/beside/{name}", {
          params: { path: { job_id: id, name } },
          body: looked,
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 5_000,
  });

type Drawn = "section" | "launch" | "flywheel";

/** A view of the workbench with what is typed and tried; while the next one is on its way the last one stays. */
function useLook<T extends Drawn>(view: T, id: number, revision: number, looked: Looked) {
  return useQuery({
    queryKey: [view, id, revision, looked],
    queryFn: ({ signal }) =>
      taken(
        client.POST(`/api/jobs/{job_id}/${view}` as "/api/jobs/{job_id}/section", {
          params: { path: { job_id: id } },
          body: looked,
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 20_000,
  });
}

export const useSection = (id: number, revision: number, looked: Looked) =>
  useLook("section", id, revision, looked) as unknown as { data: Section | undefined; error: Error | null };

export const useLaunch = (id: number, revision: number, looked: Looked) =>
  useLook("launch", id, revision, looked) as unknown as { data: Launch | undefined; error: Error | null };

export const useFlywheel = (id: number, revision: number, looked: Looked) =>
  useLook("flywheel", id, revision, looked) as unknown as {
    data: Flywheel | undefined;
    error: Error | null;
  };

export const useMoves = (id: number, revision: number, looked: Looked, result: string) =>
  useQuery({
    queryKey: ["moves", id, revision, looked, result],
    queryFn: ({ signal }) =>
      taken(
        client.POST("/api/jobs/{job_id}/moves", {
          params: { path: { job_id: id } },
          body: { ...looked, result },
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
  looked: Looked,
) =>
  useQuery({
    queryKey: ["working", id, revision, quantity, planned, friction, looked],
    queryFn: () =>
      taken(
        client.POST("/api/jobs/{job_id}/working", {
          params: { path: { job_id: id } },
          body: { ...looked, quantity, planned, friction },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const useAsk = (id: number, revision: number, looked: Looked, result: string, target: string) =>
  useQuery({
    queryKey: ["ask", id, revision, looked, result, target],
    queryFn: () =>
      taken(
        client.POST("/api/jobs/{job_id}/ask", {
          params: { path: { job_id: id } },
          body: { ...looked, result, target: target || null },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

type Narrowed = { station: string; part: string; first: number };

/** The record of a job as narrowed; another change of the job reads it again. */
export const useRecord = (id: number, change: number, { station, part, first }: Narrowed) =>
  useQuery({
    queryKey: ["record", id, change, station, part, first],
    queryFn: () =>
      taken(
        client.GET("/api/jobs/{job_id}/events", {
          params: { path: { job_id: id }, query: { station: station as "", part, first } },
        }),
      ),
    placeholderData: keepPreviousData,
  });

/** Keeps a job that came back from a change, and lets the lists be read again. */
export function useKeepJob() {
  const cache = useQueryClient();
  return (job: Job) => {
    cache.setQueryData([...jobKey(job.id), job.build], job);
    // the same job in its other builds is of before
    void cache.invalidateQueries({
      queryKey: jobKey(job.id),
      predicate: ({ queryKey }) => queryKey.length === 3 && queryKey[2] !== job.build,
    });
    void cache.invalidateQueries({ queryKey: ["jobs"] });
  };
}

/** Reads a job again from the server. */
export function useReread() {
  const cache = useQueryClient();
  return (id: number, build = "") =>
    cache.fetchQuery({
      queryKey: [...jobKey(id), build],
      queryFn: () => readJob(id, build),
      staleTime: 0,
    });
}

/** The newest revision of a job that this tab has seen, in whichever build. */
const newestSeen = (cache: ReturnType<typeof useQueryClient>, id: number) =>
  Math.max(0, ...cache.getQueriesData<Job>({ queryKey: jobKey(id) }).map(([, job]) => job?.revision ?? 0));

/** Changes of one job go one after the other, each on the revision this tab has seen when its turn comes. */
export function useChange<T>(id: number, call: (change: T, headers: { "If-Match": string }) => Promise<Job>) {
  const cache = useQueryClient();
  const keep = useKeepJob();
  return useMutation({
    mutationFn: (change: T) => call(change, seen(newestSeen(cache, id))),
    onSuccess: keep,
    scope: { id: `job-${id}` },
  });
}

export const useEnter = (id: number, build = "") =>
  useChange(id, (entries: EntryIn[], headers) =>
    taken(
      client.POST("/api/jobs/{job_id}/entries", {
        params: { path: { job_id: id } },
        body: { entries, build },
        headers,
      }),
    ),
  );

/** Makes an alternative the plan, or takes it away. */
export const useSettleBuild = (id: number) =>
  useChange(id, (body: { build: string; becomes: "plan" | "nothing" }, headers) =>
    taken(client.POST("/api/jobs/{job_id}/builds", { params: { path: { job_id: id } }, body, headers })),
  );

export const useTurn = (id: number) =>
  useChange(id, (way: "undo" | "redo", headers) =>
    taken(client.POST(`/api/jobs/{job_id}/${way}`, { params: { path: { job_id: id } }, headers })),
  );

/** Brings a job back to an earlier revision, as one more change. */
export function useGoBack(id: number) {
  const keep = useKeepJob();
  return useMutation({
    mutationFn: ({ revision, onto }: { revision: number; onto: number }) =>
      taken(
        client.POST("/api/jobs/{job_id}/back", {
          params: { path: { job_id: id } },
          body: { revision },
          headers: seen(onto),
        }),
      ),
    onSuccess: keep,
  });
}

/** A new job with all that is entered in another. */
export function useCopyJob() {
  const keep = useKeepJob();
  return useMutation({
    mutationFn: (id: number) =>
      taken(client.POST("/api/jobs/{job_id}/copy", { params: { path: { job_id: id } } })),
    onSuccess: keep,
  });
}

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
