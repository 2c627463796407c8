import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { requestName } from "@/lib/request";
import { patiently } from "@/lib/waiting";
import { client, notNow, type Plan, type PlanStatement, Refusal, seen, taken } from "./client";
import type { components } from "./schema";

export type PlanChange = PlanStatement;
/** Says something of the plan; a refusal comes back as a sentence. */
export type SayPlan = (change: PlanChange) => Promise<string | null>;

const key = (id: number) => ["plan", id] as const;

/** The plan of a job; looked at again where the job has changed, and when one comes back to it. */
export const usePlan = (id: number, change: number) =>
  useQuery({
    queryKey: [...key(id), change],
    queryFn: () => taken(client.GET("/api/jobs/{job_id}/plan", { params: { path: { job_id: id } } })),
    placeholderData: (before) => before,
    refetchOnWindowFocus: true,
    refetchInterval: 15_000, // somebody else may be at the same job
  });

/** Says something of the plan; what was refused comes back as a sentence. */
export function useSayOfPlan(id: number) {
  const queries = useQueryClient();
  const say = useMutation({
    mutationFn: (change: PlanChange) => {
      const body = { ...change, who: "", request: requestName() };
      return patiently(
        () => taken(client.POST("/api/jobs/{job_id}/plan", { params: { path: { job_id: id } }, body })),
        notNow,
        { address: `/api/jobs/${id}/plan`, body, what: `Step ${change.key}` },
      );
    },
    onSuccess: (plan) => queries.setQueriesData({ queryKey: key(id) }, plan),
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
  const queries = useQueryClient();
  return async (asked: Asked): Promise<string | null> => {
    try {
      queries.setQueriesData({ queryKey: key(id) }, await send(asked));
      return null;
    } catch (error) {
      return error instanceof Refusal ? error.message : "It could not be kept; try again.";
    }
  };
}

const of = (id: number) => ({ path: { job_id: id } });

/** Hands readings of a torque wrench on, each for the bolt that is next. */
export const useWrench = (id: number) =>
  usePlanWrite(id, (body: components["schemas"]["WrenchIn"]) =>
    taken(client.POST("/api/jobs/{job_id}/plan/wrench", { params: of(id), body })),
  );

/** Takes a filled paper, all of it or none. */
export const useFromPaper = (id: number) =>
  usePlanWrite(id, (body: components["schemas"]["FromPaperIn"]) =>
    taken(client.POST("/api/jobs/{job_id}/plan/paper", { params: of(id), body })),
  );

/** Takes the answers, own steps and instructions of a plan's file. */
export const usePlanFile = (id: number) =>
  usePlanWrite(id, (text: string) =>
    taken(client.POST("/api/jobs/{job_id}/plan/file", { params: of(id), body: { text } })),
  );

type ShopStep = components["schemas"]["ShopStepIn"] & { version: number };

/** A step for every plan of the shop, or no more, in the place of the version seen. */
export const useShopStep = (id: number) =>
  usePlanWrite(id, ({ version, ...body }: ShopStep) =>
    taken(
      client.PUT("/api/jobs/{job_id}/plan/shop-step", {
        params: of(id),
        body,
        headers: seen(version),
      }),
    ),
  );
