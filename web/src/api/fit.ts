import { keepPreviousData, useMutation, useQueryClient } from "@tanstack/react-query";
import { requestName } from "@/lib/request";
import { patiently } from "@/lib/waiting";
import { client, notNow, of, type Plan, type PlanStatement, queries, Refusal, seen, taken } from "./client";
import type { components } from "./schema";

export type PlanChange = PlanStatement;
/** Says something of the plan; a refusal comes back as a sentence. */
export type SayPlan = (change: PlanChange) => Promise<string | null>;

const planKey = (id: number) => ["get", "/api/jobs/{job_id}/plan", of(id)] as const;

/** The plan of a job; looked at again where the job has changed, and when one comes back to it. */
export const usePlan = (id: number, change: number) =>
  queries.useQuery(
    "get",
    "/api/jobs/{job_id}/plan",
    { ...of(id), change },
    {
      placeholderData: keepPreviousData,
      refetchOnWindowFocus: true,
      refetchInterval: 15_000, // somebody else may be at the same job
    },
  );

/** Says something of the plan; what was refused comes back as a sentence. */
export function useSayOfPlan(id: number) {
  const cache = useQueryClient();
  const say = useMutation({
    mutationFn: (change: PlanChange) => {
      const body = { ...change, who: "", request: requestName() };
      return patiently(() => taken(client.POST("/api/jobs/{job_id}/plan", { ...of(id), body })), notNow, {
        address: `/api/jobs/${id}/plan`,
        body,
        what: `Step ${change.key}`,
      });
    },
    onSuccess: (plan) => cache.setQueriesData({ queryKey: planKey(id) }, plan),
  });
  return async (change: PlanChange): Promise<string | null> => {
    try {
      await say.mutateAsync(change);
      return null;
    } catch (error) {
      return error instanceof Refusal ? error.message : "It could not be kept; try again.";
    }
  };
}

/** Sends something that answers with the plan; what was refused comes back as a sentence. */
function usePlanWrite<Asked>(id: number, send: (asked: Asked) => Promise<Plan>) {
  const cache = useQueryClient();
  return async (asked: Asked): Promise<string | null> => {
    try {
      cache.setQueriesData({ queryKey: planKey(id) }, await send(asked));
      return null;
    } catch (error) {
      return error instanceof Refusal ? error.message : "It could not be kept; try again.";
    }
  };
}

/** Hands readings of a torque wrench on, each for the bolt that is next. */
export const useWrench = (id: number) =>
  usePlanWrite(id, (body: components["schemas"]["WrenchIn"]) =>
    taken(client.POST("/api/jobs/{job_id}/plan/wrench", { ...of(id), body })),
  );

/** Takes a filled paper, all of it or none. */
export const useFromPaper = (id: number) =>
  usePlanWrite(id, (body: components["schemas"]["FromPaperIn"]) =>
    taken(client.POST("/api/jobs/{job_id}/plan/paper", { ...of(id), body })),
  );

/** Takes the answers, own steps and instructions of a plan's file. */
export const usePlanFile = (id: number) =>
  usePlanWrite(id, (text: string) =>
    taken(client.POST("/api/jobs/{job_id}/plan/file", { ...of(id), body: { text } })),
  );

type ShopStep = components["schemas"]["ShopStepIn"] & { version: number };

/** A step for every plan of the shop, or no more, in the place of the version seen. */
export const useShopStep = (id: number) =>
  usePlanWrite(id, ({ version, ...body }: ShopStep) =>
    taken(
      client.PUT("/api/jobs/{job_id}/plan/shop-step", {
        ...of(id),
        body,
        headers: seen(version),
      }),
    ),
  );
