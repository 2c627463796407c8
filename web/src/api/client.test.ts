import { afterEach, describe, expect, it, vi } from "vitest";
import { asked, client, notNow, Refusal, seen, taken } from "@/api/client";

const answers = (status: number, body?: unknown) =>
  vi.stubGlobal(
    "fetch",
    async () => new Response(body === undefined ? null : JSON.stringify(body), { status }),
  );
const shop = () => taken(client.GET("/api/shop", { baseUrl: "http://127.0.0.1/" }));

describe("what the server says", () => {
  afterEach(() => void vi.unstubAllGlobals());

  it("hands over data", async () => {
    answers(200, { units: "both" });
    expect(await shop()).toEqual({ units: "both" });
  });

  it("turns a problem into a refusal with its fields", async () => {
    answers(422, {
      detail: "Discs: “0” is too small.",
      errors: [{ field: "disc_count", message: "too small" }],
    });
    const refused = await shop().catch((error) => error);
    expect(refused).toBeInstanceOf(Refusal);
    expect(refused.status).toBe(422);
    expect(refused.message).toBe("Discs: “0” is too small.");
    expect(refused.faults).toEqual({ disc_count: "too small" });
  });

  it("has a sentence for a problem that has none", async () => {
    answers(503);
    const refused = await shop().catch((error) => error);
    expect(refused.message).toContain("503");
  });

  it("says so when nothing answers, and lets an abandoned request pass as it is", async () => {
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("fetch failed")));
    const gone = await shop().catch((error) => error);
    expect(gone.status).toBe(0);
    expect(gone.message).toContain("What you typed stays here");
    const abandoned = new DOMException("abandoned", "AbortError");
    vi.stubGlobal("fetch", () => Promise.reject(abandoned));
    await expect(shop()).rejects.toBe(abandoned);
  });

  it("names the revision a change was made on", () => {
    expect(seen(17)).toEqual({ "If-Match": '"17"' });
  });
});

describe("long work that waits for its turn", () => {
  afterEach(() => void vi.unstubAllGlobals());

  it("is asked for again under the same name until it is there", async () => {
    const turns: (string | null)[] = [];
    let before = 2;
    vi.stubGlobal("fetch", async (request: Request) => {
      turns.push(request.headers.get("Turn"));
      const waits = { Waits: String(before), "Retry-After": "0" };
      return before-- > 0 ? new Response(null, { status: 503, headers: waits }) : new Response("paper");
    });
    const answer = await asked(new Request("http://127.0.0.1/api/jobs/1/sheet.pdf"));
    expect(await answer.text()).toBe("paper");
    expect(turns).toHaveLength(3);
    expect(new Set(turns).size).toBe(1);
  });

  it("is told from a server that is busy, which waits where it was asked", async () => {
    vi.stubGlobal("fetch", async () => new Response(null, { status: 503, headers: { "Retry-After": "1" } }));
    expect((await asked(new Request("http://127.0.0.1/api/jobs"))).status).toBe(503);
    expect([0, 503, 507, 422].map((status) => notNow(new Refusal(status, "no")))).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });
});
