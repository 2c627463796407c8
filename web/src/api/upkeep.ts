import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { client, taken } from "./client";

/** The shop's file and its copies. */
export const useUpkeep = () =>
  useQuery({
    queryKey: ["upkeep"],
    queryFn: () => taken(client.GET("/api/backups")),
    refetchInterval: 60_000,
  });

export function useBackUp() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: () => taken(client.POST("/api/backups")),
    onSuccess: (upkeep) => cache.setQueryData(["upkeep"], upkeep),
  });
}
