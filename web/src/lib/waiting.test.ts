// @vitest-environment happy-dom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { type Kept, keptIn, patiently, readRefused, sendKept, useRefused } from "@/lib/waiting";

class Shelf implements Storage {
  private kept = new Map<string, string>();
  get length() {
    return this.kept.size;
  }
  clear = () => this.kept.clear();
  getItem = (key: string) => this.kept.get(key) ?? null;
  key = () => null;
  removeItem = (key: string) => void this.kept.delete(key);
  setItem = (key: string, text: string) => void this.kept.set(key, text);
}

const silent = (error: unknown) => error === "silence";
const reading: Kept = { address: "/api/jobs/1/readings", body: { request: "a1", typed: "2.9" } };

describe("what waits for a server that does not answer", () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it("is sent again until it is answered, kept meanwhile and no longer", async () => {
    const storage = new Shelf();
    let left = 3;
    const call = vi.fn(() => (left-- > 0 ? Promise.reject("silence") : Promise.resolve("taken")));
    const sent = patiently(call, silent, reading, storage);
    await vi.advanceTimersByTimeAsync(1600);
    expect(keptIn(storage)).toEqual([reading]);
    await vi.advanceTimersByTimeAsync(3200);
    expect(await sent).toBe("taken");
    expect(call).toHaveBeenCalledTimes(4);
    expect(keptIn(storage)).toEqual([]);
  });

  it("is a refusal where the server refuses, at once or after a silence", async () => {
    const storage = new Shelf();
    await expect(patiently(() => Promise.reject("no"), silent, reading, storage)).rejects.toBe("no");
    let first = true;
    const call = () => {
      const says = first ? "silence" : "no";
      first = false;
      return Promise.reject(says);
    };
    const sent = expect(patiently(call, silent, reading, storage)).rejects.toBe("no");
    await vi.advanceTimersByTimeAsync(1600);
    await sent;
    expect(keptIn(storage)).toEqual([]);
  });

  it("goes from a page that was loaded anew, in its order, each once", async () => {
    const storage = new Shelf();
    const other = { ...reading, body: { request: "a2", typed: "2.8" } };
    storage.setItem("liftbite.waits", JSON.stringify([reading, other]));
    const gone: Kept[] = [];
    expect(await sendKept(async (kept) => void gone.push(kept), silent, storage)).toBe(2);
    expect(gone).toEqual([reading, other]);
    expect(keptIn(storage)).toEqual([]);
  });

  it("is told where it is refused after a reload, and the rest goes on", async () => {
    const storage = new Shelf();
    const other = { ...reading, body: { request: "a2" } };
    storage.setItem("liftbite.waits", JSON.stringify([reading, other]));
    const post = vi.fn(() => Promise.reject(new Error("That is no length.")));
    await sendKept(post, silent, storage);
    const told = renderHook(() => useRefused());
    expect(told.result.current).toEqual(["That is no length.", "That is no length."]);
    act(readRefused);
    expect(told.result.current).toEqual([]);
  });

  it("is nothing where the tab keeps nonsense", () => {
    const storage = new Shelf();
    storage.setItem("liftbite.waits", "{");
    expect(keptIn(storage)).toEqual([]);
  });
});
