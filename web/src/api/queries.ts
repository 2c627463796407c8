import { hashKey, keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  client,
  type EntryIn,
  type Job,
  type JobsPage,
  of,
  queries,
  type Section,
  seen,
  taken,
} from "./client";

const jobKey = (id: number) => ["get", "/api/jobs/{job_id}", of(id)] as const;
/** While what was asked anew is on its way, what was there before stays. */
const STAYS = { placeholderData: keepPreviousData } as const;

const LIST = ["get", "/api/jobs"] as const;

/** What is typed and tried, and in which build; nothing is the plan. */
export type Looked = { entries: EntryIn[]; build: string };

export const useCatalogue = () =>
  queries.useQuery("get", "/api/catalogue", {}, { staleTime: Number.POSITIVE_INFINITY });

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
  queries.useInfiniteQuery(
    "get",
    "/api/jobs",
    { params: { query: wanted } },
    {
      pageParamName: "first",
      initialPageParam: 0,
      getNextPageParam: (page: JobsPage) => {
        const next = page.first + page.jobs.length;
        return next < page.count ? next : undefined;
      },
      ...STAYS,
      refetchInterval: (query) => (query.state.data?.pages.some((page) => page.waits) ? 1000 : false),
    },
  );

const jobIn = (id: number, build: string) =>
  queries.queryOptions("get", "/api/jobs/{job_id}", {
    params: { path: { job_id: id }, query: { build } },
  });

/** A job in one of its builds; nothing is the plan. */
export const useJob = (id: number, build = "") => useQuery(jobIn(id, build));

/** What the job would say with entries that are not kept yet. */
export const usePreview = (id: number, revision: number, looked: Looked) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/preview",
    { ...of(id), body: looked, revision },
    { enabled: looked.entries.length > 0, ...STAYS, gcTime: 5_000 },
  );

/** A job as found against the same as planned, with what is typed and tried. */
export const useAgainst = (id: number, revision: number, looked: Looked, others: number[]) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/against",
    { ...of(id), body: { ...looked, others }, revision },
    { ...STAYS, gcTime: 5_000 },
  );

/** What would settle most of what a job leaves open. */
export const useNext = (id: number, revision: number, build: string) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/next",
    { ...of(id), body: { entries: [], build }, revision },
    { ...STAYS, gcTime: 20_000 },
  );

/** Alternatives for one part of a job, with what is typed and tried. */
export const useBeside = (name: "cylinders" | "instructions", id: number, revision: number, looked: Looked) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/beside/{name}",
    { params: { path: { job_id: id, name } }, body: looked, revision },
    { ...STAYS, gcTime: 5_000 },
  );

/** Views of the workbench with what is typed and tried. */
const DRAWN = { ...STAYS, gcTime: 20_000 } as const;

export const useSection = (id: number, revision: number, looked: Looked) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/section",
    { ...of(id), body: looked, revision },
    {
      ...DRAWN,
      // the package's types make lists of any length of what are points
      select: (drawn) => drawn as unknown as Section,
    },
  );

export const useLaunch = (id: number, revision: number, looked: Looked) =>
  queries.useQuery("post", "/api/jobs/{job_id}/launch", { ...of(id), body: looked, revision }, DRAWN);

export const useFlywheel = (id: number, revision: number, looked: Looked) =>
  queries.useQuery("post", "/api/jobs/{job_id}/flywheel", { ...of(id), body: looked, revision }, DRAWN);

export const useMoves = (id: number, revision: number, looked: Looked, result: string) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/moves",
    { ...of(id), body: { ...looked, result }, revision },
    { ...STAYS, retry: false },
  );

export const useWorking = (
  id: number,
  revision: number,
  quantity: string,
  planned: boolean,
  friction: number,
  looked: Looked,
) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/working",
    { ...of(id), body: { ...looked, quantity, planned, friction }, revision },
    { ...STAYS, retry: false },
  );

export const useAsk = (id: number, revision: number, looked: Looked, result: string, target: string) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/ask",
    { ...of(id), body: { ...looked, result, target: target || null }, revision },
    { ...STAYS, retry: false },
  );

type Narrowed = { station: string; part: string; first: number };

/** The record of a job as narrowed; another change of the job reads it again. */
export const useRecord = (id: number, change: number, { station, part, first }: Narrowed) =>
  queries.useQuery(
    "get",
    "/api/jobs/{job_id}/events",
    { params: { path: { job_id: id }, query: { station: station as "", part, first } }, change },
    STAYS,
  );

/** Keeps a job that came back from a change, and lets the lists be read again. */
export function useKeepJob() {
  const cache = useQueryClient();
  return (job: Job) => {
    cache.setQueryData<Job>(jobIn(job.id, job.build).queryKey, job);
    // the same job in its other builds is of before
    void cache.invalidateQueries({
      queryKey: jobKey(job.id),
      predicate: ({ queryHash }) => queryHash !== hashKey(jobIn(job.id, job.build).queryKey),
    });
    void cache.invalidateQueries({ queryKey: LIST });
  };
}

/** Reads a job again from the server. */
export function useReread() {
  const cache = useQueryClient();
  return (id: number, build = "") => cache.fetchQuery({ ...jobIn(id, build), staleTime: 0 });
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
    onError: () => cache.invalidateQueries({ queryKey: LIST }),
    onSuccess: ({ id }) => {
      void cache.invalidateQueries({ queryKey: jobKey(id) });
      return cache.invalidateQueries({ queryKey: LIST });
    },
  });
}
