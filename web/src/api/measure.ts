import {
  hashKey,
  keepPreviousData,
  type QueryClient,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { requestName } from "@/lib/request";
import { patiently } from "@/lib/waiting";
import {
  type BenchStatement,
  client,
  type InstrumentIn,
  type LimitIn,
  type Measure,
  notNow,
  of,
  queries,
  type ReadingIn,
  Refusal,
  type RenewalIn,
  type SeriesIn,
  seen,
  taken,
} from "./client";
import { useChange } from "./queries";
import type { operations } from "./schema";

const benchKey = (id: number) => ["get", "/api/jobs/{job_id}/measure", of(id)] as const;
/** Whose parts are looked at on the bench: those that were found, or those that go in. */
export type Whose = "found" | "planned";
const at = (id: number, build: Whose) => ({ path: { job_id: id }, query: { build } });

const benchOf = (id: number, revision: number, build: Whose) =>
  queries.queryOptions("get", "/api/jobs/{job_id}/measure", { params: at(id, build), revision });

/** The bench of a job: checks, readings, verdicts. */
export const useMeasure = (id: number, revision: number, build: Whose = "found") =>
  useQuery({
    ...benchOf(id, revision, build),
    placeholderData: keepPreviousData,
    refetchOnWindowFocus: "always",
  });

/** Which limit of which check. */
type LimitName = Omit<operations["set_limit"]["parameters"]["path"], "job_id">;

export type BenchChange =
  | { read: ReadingIn }
  | { undo: string }
  | { redo: string }
  | { begin: SeriesIn }
  | { say: SeriesIn }
  | { limit: LimitIn & LimitName }
  | { practice: { name: string; option: string } }
  | { instrument: InstrumentIn }
  | { sum: RenewalIn & { part: string } }
  | { drop: string }
  | { record: BenchStatement }
  | { records: BenchStatement[] };

/** No answer, or a file that is held for a moment: worth another try. */
const passing = (status: number) => status === 0 || status === 503;

/** What is replaced, by the version of it that this tab has seen; 0 where it has seen none. */
function replaced(bench: Measure | undefined, change: BenchChange) {
  const check = (name: string) => bench?.checks.find((each) => each.name === name);
  if ("say" in change) return seen(check(change.say.check)?.version ?? 0);
  if ("limit" in change) {
    const { check: of, name } = change.limit;
    return seen(check(of)?.limits.find((each) => each.name === name)?.version ?? 0);
  }
  if ("practice" in change)
    return seen(bench?.practices.find((each) => each.name === change.practice.name)?.version ?? 0);
  const part = "sum" in change ? change.sum.part.trim() : "drop" in change ? change.drop : "";
  return seen(bench?.renewals.find((each) => each.part === part)?.version ?? 0);
}

function sent(id: number, build: Whose, change: BenchChange, bench: Measure | undefined): Promise<Measure> {
  const params = at(id, build);
  const headers = replaced(bench, change);
  if ("read" in change) {
    const kept = {
      address: `/api/jobs/${id}/readings?build=${build}`,
      body: change.read,
      what: `Reading ${change.read.check}, ${change.read.place || change.read.typed}`,
    };
    return patiently(
      () => taken(client.POST("/api/jobs/{job_id}/readings", { params, body: change.read })),
      notNow,
      kept,
    );
  }
  if ("undo" in change)
    return taken(client.POST("/api/jobs/{job_id}/readings/undo", { params, body: { check: change.undo } }));
  if ("redo" in change)
    return taken(client.POST("/api/jobs/{job_id}/readings/redo", { params, body: { check: change.redo } }));
  if ("begin" in change)
    return taken(client.POST("/api/jobs/{job_id}/series", { params, body: change.begin }));
  if ("say" in change)
    return taken(client.PUT("/api/jobs/{job_id}/series", { params, body: change.say, headers }));
  if ("limit" in change) {
    const { check, name, ...body } = change.limit;
    const path = { ...params.path, check, name };
    return taken(
      client.PUT("/api/jobs/{job_id}/limits/{check}/{name}", {
        params: { ...params, path },
        body,
        headers,
      }),
    );
  }
  if ("practice" in change) {
    const { name, ...body } = change.practice;
    const path = { ...params.path, name };
    return taken(
      client.PUT("/api/jobs/{job_id}/practices/{name}", { params: { ...params, path }, body, headers }),
    );
  }
  if ("instrument" in change)
    return taken(client.POST("/api/jobs/{job_id}/instruments", { params, body: change.instrument }));
  if ("record" in change) {
    const body = { ...change.record, who: "", request: requestName() };
    return patiently(() => taken(client.POST("/api/jobs/{job_id}/record", { params, body })), notNow, {
      address: `/api/jobs/${id}/record?build=${build}`,
      body,
      what: `${change.record.kind} ${change.record.key ?? ""}`,
    });
  }
  if ("records" in change) {
    const lines = change.records.map((one) => ({ ...one, who: "", request: requestName() }));
    return taken(client.POST("/api/jobs/{job_id}/record/lines", { params, body: { lines, who: "" } }));
  }
  const renewal = "/api/jobs/{job_id}/renewals/{part}";
  if ("sum" in change) {
    const { part, ...body } = change.sum;
    const path = { ...params.path, part };
    return taken(client.PUT(renewal, { params: { ...params, path }, body, headers }));
  }
  const path = { ...params.path, part: change.drop };
  return taken(client.DELETE(renewal, { params: { ...params, path }, headers }));
}

/**
 * Changes of the bench, one after the other; what comes back is what the screen shows. A bench that was asked for
 * before is older than what a change answers: it is given up, or it would take the last reading off the screen.
 */
export function useBenchChange(id: number, revision: number, build: Whose) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (change: BenchChange) =>
      sent(id, build, change, cache.getQueryData<Measure>(benchOf(id, revision, build).queryKey)),
    // an append says what it is called: sent again, it counts once
    retry: (count, error) => count < 2 && error instanceof Refusal && passing(error.status),
    retryDelay: 400,
    onError: (error) => {
      if (error instanceof Refusal && error.status === 412)
        void cache.invalidateQueries({ queryKey: benchKey(id) });
    },
    onSuccess: async (bench) => {
      await cache.cancelQueries({ queryKey: benchKey(id) });
      const { queryKey } = benchOf(id, revision, build);
      cache.setQueryData<Measure>(queryKey, bench);
      void cache.invalidateQueries({
        queryKey: benchKey(id),
        predicate: ({ queryHash }) => queryHash !== hashKey(queryKey),
      });
      readFollowing(cache, id);
    },
    scope: { id: `bench-${id}` },
  });
}

/** Reads the bench again a little later: another tab may be taking the reading that this one was too late for. */
export function useRereadBench(id: number) {
  const cache = useQueryClient();
  return () => setTimeout(() => void cache.invalidateQueries({ queryKey: benchKey(id) }), 500);
}

/** Reads again what follows from the readings of a job. */
function readFollowing(cache: QueryClient, id: number) {
  for (const path of ["/api/jobs/{job_id}/effects", "/api/jobs/{job_id}/measure/history"])
    void cache.invalidateQueries({ queryKey: ["get", path, of(id)] });
  void cache.invalidateQueries({ queryKey: ["get", "/api/measure/history"] });
}

/** What is in the keypad, as it would be taken. */
export const useKeyed = (id: number, check: string, typed: string, unit: string) =>
  queries.useQuery(
    "post",
    "/api/jobs/{job_id}/readings/preview",
    { params: at(id, "found"), body: { check, place: "", typed, unit } },
    { enabled: typed.trim() !== "", placeholderData: keepPreviousData, gcTime: 5_000 },
  );

export const useEffects = (id: number, revision: number, build: Whose, without: string) =>
  queries.useQuery(
    "get",
    "/api/jobs/{job_id}/effects",
    { params: { ...at(id, build), query: { without, build } }, revision },
    { placeholderData: keepPreviousData },
  );

/** Takes measured values into the job. */
export const useTakeEffects = (id: number, build: Whose) =>
  useChange(id, (quantities: string[], headers) =>
    taken(
      client.POST("/api/jobs/{job_id}/effects", { params: at(id, build), body: { quantities }, headers }),
    ),
  );

/** What was read of a job's vehicle, or of every vehicle of the shop. */
export function useBenchHistory(id: number, build: Whose, shop: boolean) {
  const ofJob = queries.useQuery(
    "get",
    "/api/jobs/{job_id}/measure/history",
    { params: at(id, build) },
    { enabled: !shop, placeholderData: keepPreviousData },
  );
  const ofShop = queries.useQuery("get", "/api/measure/history", {}, { enabled: shop });
  return shop ? ofShop : ofJob;
}

/** Readings from a file, and all of a file's taken back. */
export function useBringReadings(id: number, build: Whose) {
  const cache = useQueryClient();
  const onSuccess = () => {
    void cache.invalidateQueries({ queryKey: benchKey(id) });
    readFollowing(cache, id);
  };
  const bring = useMutation({
    mutationFn: (text: string) =>
      taken(client.POST("/api/jobs/{job_id}/readings/csv", { params: at(id, build), body: { text } })),
    onSuccess,
  });
  const takeBack = useMutation({
    mutationFn: (series: number[]) =>
      taken(client.POST("/api/jobs/{job_id}/readings/csv/undo", { params: at(id, build), body: { series } })),
    onSuccess,
  });
  return { bring, takeBack };
}

export function usePutInstrumentAway(id: number) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (number: number) =>
      taken(
        client.PUT("/api/instruments/{instrument_id}/archived", {
          params: { path: { instrument_id: number } },
          body: { archived: true },
        }),
      ),
    onSuccess: () => cache.invalidateQueries({ queryKey: benchKey(id) }),
  });
}

/** What an instrument's port has sent since; it stays open until there is something, or so many seconds have gone. */
export const askGauge = (instrument: string, after: number, wait: number, signal: AbortSignal) =>
  taken(
    client.POST("/api/instruments/{instrument_id}/gauge", {
      params: { path: { instrument_id: Number(instrument) } },
      body: { after, wait },
      signal,
    }),
  );

/** What planning parts now would undo; asked for once somebody means to. */
export const useUndoes = (id: number) =>
  useMutation({
    mutationFn: (parts: string) =>
      taken(
        client.GET("/api/jobs/{job_id}/account/undoes", { params: { ...of(id).params, query: { parts } } }),
      ),
  });
