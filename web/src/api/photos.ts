import { useMutation, useQueryClient } from "@tanstack/react-query";
import { requestName } from "@/lib/request";
import { patiently } from "@/lib/waiting";
import { client, notNow, of, type Photo, queries, Refusal, sendFile, taken } from "./client";
import type { components } from "./schema";

type Photos = { photos: Photo[] };

/** The photos of a job, oldest first. */
export const usePhotos = (id: number) =>
  queries.useQuery("get", "/api/jobs/{job_id}/photos", of(id), { refetchOnWindowFocus: true });

/** Where a photo is fetched. */
export const photoAddress = (id: number, digest: string, small = false) =>
  `/api/jobs/${id}/photos/${digest}.jpg${small ? "?small=true" : ""}`;

type Box = components["schemas"]["BoxIn"];
type Change =
  | { bring: File; of: string }
  | { say: string; of: string; words: string }
  | { off: string }
  | { erase: string; boxes: Box[]; reason: string; who: string };

async function sent(id: number, change: Change): Promise<Photos> {
  if ("bring" in change) {
    const request = requestName();
    const address = `/api/jobs/${id}/photos?${new URLSearchParams({ of: change.of, request })}`;
    // where the server does not take it now it waits, over a reload and a closed tab; its name counts it once
    const answer = await patiently(
      () => sendFile(address, change.bring, "application/octet-stream"),
      notNow,
      { address, body: { request }, what: `Photo of ${change.of}` },
      localStorage,
      change.bring,
    );
    return answer.json();
  }
  if ("erase" in change) {
    const { erase: digest, ...body } = change;
    return taken(
      client.POST("/api/jobs/{job_id}/photos/{digest}/erased", {
        params: { path: { job_id: id, digest } },
        body: { ...body, request: requestName() },
      }),
    );
  }
  const digest = "off" in change ? change.off : change.say;
  const said = "off" in change ? { off: true } : { of: change.of, words: change.words };
  return taken(
    client.PUT("/api/jobs/{job_id}/photos/{digest}", {
      params: { path: { job_id: id, digest } },
      body: { of: "job", words: "", off: false, ...said, who: "", request: requestName() },
    }),
  );
}

/** Brings a photo, says what it is of, or takes it off; what was refused comes back as a sentence. */
export function usePhotoChange(id: number) {
  const cache = useQueryClient();
  const change = useMutation({
    mutationFn: (asked: Change) => sent(id, asked),
    onSuccess: (photos) => cache.setQueryData<Photos>(["get", "/api/jobs/{job_id}/photos", of(id)], photos),
  });
  const send = async (asked: Change): Promise<string | null> => {
    try {
      await change.mutateAsync(asked);
      return null;
    } catch (error) {
      return error instanceof Refusal ? error.message : "The photo could not be kept; try again.";
    }
  };
  return { send, busy: change.isPending };
}
