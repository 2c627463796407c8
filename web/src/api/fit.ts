import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { requestName } from "@/lib/request";
import { patiently } from "@/lib/waiting";
import { client, Refusal, type SayOfPlan, taken, unanswered } from "./client";

export type PlanChange = Omit<SayOfPlan, "who" | "request">;

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
        unanswered,
        { address: `/api/jobs/${id}/plan`, body },
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
