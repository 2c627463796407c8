import { describe, expect, it } from "vitest";
import { Refusal, seen, taken } from "@/api/client";

const answer = (status: number, body: { data?: unknown; error?: unknown }) =>
  Promise.resolve({ ...body, response: new Response(null, { status }) });

describe("what the server says", () => {
  it("hands over data", async () => {
    expect(await taken(answer(200, { data: { id: 3 } }))).toEqual({ id: 3 });
  });

  it("turns a problem into a refusal with its fields", async () => {
    const problem = {
      detail: "Discs: “0” is too small.",
      errors: [{ field: "disc_count", message: "too small" }],
    };
    const refused = await taken(answer(422, { error: problem })).catch((error) => error);
    expect(refused).toBeInstanceOf(Refusal);
    expect(refused.status).toBe(422);
    expect(refused.message).toBe("Discs: “0” is too small.");
    expect(refused.faults).toEqual({ disc_count: "too small" });
  });

  it("has a sentence for a problem that has none", async () => {
    const refused = await taken(answer(503, {})).catch((error) => error);
    expect(refused.message).toContain("503");
  });

  it("says so when nothing answers, and lets an abandoned request pass as it is", async () => {
    const gone = await taken(Promise.reject(new TypeError("fetch failed"))).catch((error) => error);
    expect(gone.status).toBe(0);
    expect(gone.message).toContain("What you typed stays here");
    const abandoned = new DOMException("abandoned", "AbortError");
    await expect(taken(Promise.reject(abandoned))).rejects.toBe(abandoned);
  });

  it("names the revision a change was made on", () => {
    expect(seen(17)).toEqual({ "If-Match": '"17"' });
  });
});
