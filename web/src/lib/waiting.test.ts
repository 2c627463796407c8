// @vitest-environment happy-dom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import {
  CLOSED,
  dropTyped,
  type Files,
  type Kept,
  keepIn,
  keptIn,
  keptOfOthers,
  letKeptGo,
  patiently,
  readRefused,
  sendKept,
  stayAlive,
  takeOver,
  useRefused,
  useWaiting,
} from "@/lib/waiting";
import { saveDrafts } from "./drafts";

class Shelf implements Storage {
  private kept = new Map<string, string>();
  get length() {
    return this.kept.size;
  }
  clear = () => this.kept.clear();
  getItem = (key: string) => this.kept.get(key) ?? null;
  key = (n: number) => [...this.kept.keys()][n] ?? null;
  removeItem = (key: string) => void this.kept.delete(key);
  setItem = (key: string, text: string) => void this.kept.set(key, text);
}

/** Files of a test, in memory. */
function cabinet(): Files & { kept: Map<string, Blob> } {
  const kept = new Map<string, Blob>();
  return {
    kept,
    get: async (name) => kept.get(name),
    set: async (name, file) => void kept.set(name, file),
    del: async (name) => void kept.delete(name),
  };
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
    expect(keptIn(storage)).toEqual([{ ...reading, state: "" }]);
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
    keepIn(storage, [reading, other]);
    const gone: Kept[] = [];
    expect(await sendKept(async (kept) => void gone.push(kept), silent, storage)).toBe(2);
    expect(gone).toEqual([reading, other]);
    expect(keptIn(storage)).toEqual([]);
  });

  it("is told where it is refused after a reload, and the rest goes on", async () => {
    const storage = new Shelf();
    const other = { ...reading, body: { request: "a2" } };
    keepIn(storage, [reading, other]);
    const post = vi.fn(() => Promise.reject(new Error("That is no length.")));
    await sendKept(post, silent, storage);
    const told = renderHook(() => useRefused());
    expect(told.result.current).toEqual(["That is no length.", "That is no length."]);
    act(readRefused);
    expect(told.result.current).toEqual([]);
  });

  it("is nothing where the tab keeps nonsense", () => {
    const storage = new Shelf();
    storage.setItem("liftbite.waits.this", "{");
    expect(keptIn(storage, "this")).toEqual([]);
  });

  it("stays over a full disk, and says what it waits for", async () => {
    const storage = new Shelf();
    let full = true;
    const call = () =>
      full ? Promise.reject(new Error("There is no room left on the disk. Make some.")) : Promise.resolve(1);
    const told = renderHook(() => useWaiting());
    const sent = patiently(call, (error) => error instanceof Error, reading, storage);
    await act(() => vi.advanceTimersByTimeAsync(1600));
    expect(told.result.current).toEqual({ count: 1, why: "There is no room left on the disk. Make some." });
    expect(keptIn(storage)).toHaveLength(1);
    full = false;
    await act(() => vi.advanceTimersByTimeAsync(1600));
    await sent;
    expect(told.result.current.count).toBe(0);
  });

  it("keeps a photo with its bytes, and sends them after a reload", async () => {
    const [storage, files] = [new Shelf(), cabinet()];
    const photo = new Blob(["dots"]);
    const kept: Kept = { address: "/api/jobs/1/photos?of=job", body: { request: "p1" } };
    void patiently(() => Promise.reject("silence"), silent, kept, storage, photo, files);
    await vi.advanceTimersByTimeAsync(100);
    expect([...files.kept.keys()]).toEqual(["p1"]);
    const post = vi.fn(async (_: Kept, file?: Blob) => void (await file?.text()));
    expect(await sendKept(post, silent, storage, files)).toBe(1);
    expect(await post.mock.calls[0]?.[1]?.text()).toBe("dots");
    expect(files.kept.size).toBe(0);
  });

  it("is taken over from a tab that is closed, and from no other", () => {
    const storage = new Shelf();
    keepIn(storage, [reading], "closed");
    expect(takeOver(storage, Date.now() + CLOSED - 1000, "here")).toBe(0);
    expect(takeOver(storage, Date.now() + CLOSED + 1000, "here")).toBe(1);
    expect(keptIn(storage, "here")).toEqual([reading]);
    expect(keptIn(storage, "closed")).toEqual([]);
    expect(takeOver(storage, Date.now() + CLOSED + 1000, "here")).toBe(0);
  });

  it("looks after closed tabs while it is open", async () => {
    const storage = new Shelf();
    keepIn(storage, [reading], "closed");
    const taken = vi.fn();
    const end = stayAlive(storage, taken);
    await vi.advanceTimersByTimeAsync(CLOSED + 5000);
    end();
    expect(taken).toHaveBeenCalledTimes(1);
    expect(keptIn(storage)).toEqual([reading]);
  });

  it("is of one state of the shop: what was kept for another is not sent, and can be let go", async () => {
    const storage = new Shelf();
    const before = { ...reading, state: "0123456789ab" };
    keepIn(storage, [before]);
    const post = vi.fn();
    expect(await sendKept(post, silent, storage, cabinet(), "ffffffffffff")).toBe(0);
    expect(post).not.toHaveBeenCalled();
    expect(keptOfOthers(storage, "ffffffffffff")).toEqual([before]);
    letKeptGo(storage, [before]);
    expect(keptIn(storage)).toEqual([]);
  });

  it("is held where a backup was brought back meanwhile", async () => {
    const storage = new Shelf();
    const another = Object.assign(new Error("A backup was brought back."), {
      type: "urn:liftbite:another-state",
    });
    await expect(patiently(() => Promise.reject(another), silent, reading, storage)).rejects.toBe(another);
    expect(keptIn(storage)).toEqual([{ ...reading, state: "" }]);
  });

  it("leaves what the field still has typed to the field", () => {
    const [storage, tabs] = [new Shelf(), new Shelf()];
    const entries = (quantity: string): Kept => ({
      address: "/api/jobs/1/entries",
      body: { request: `entries ${quantity === "notes" ? 1 : 2}`, entries: [{ quantity, typed: "x" }] },
    });
    saveDrafts(1, { notes: "x" }, tabs);
    keepIn(storage, [entries("notes"), entries("measured_curve"), reading]);
    dropTyped(storage, tabs);
    expect(keptIn(storage)).toEqual([entries("measured_curve"), reading]);
  });
});
