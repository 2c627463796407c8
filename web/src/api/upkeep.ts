import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { client, sendFile, taken } from "./client";
import type { components } from "./schema";

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

/** Takes in an archive of jobs and shelf. */
export function useBringArchive() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async (file: File): Promise<components["schemas"]["BroughtOut"]> =>
      (await sendFile("/api/archive", file, "application/zip")).json(),
    onSuccess: () => cache.invalidateQueries(),
  });
}

/** What the shop's own jobs teach. */
export const useLearned = () =>
  useQuery({ queryKey: ["learned"], queryFn: () => taken(client.GET("/api/shop/learned")) });
