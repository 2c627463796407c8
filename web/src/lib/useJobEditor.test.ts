// @vitest-environment happy-dom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { type EntryIn, type Job, Refusal } from "@/api/client";

/** The server as the editor sees it: what a preview says, what is entered, and how that ends. */
const server = vi.hoisted(() => ({
  preview: undefined as unknown,
  enter: vi.fn(),
  turn: vi.fn(),
  reread: vi.fn(),
}));
vi.mock("@/api/queries", () => ({
  usePreview: (_id: number, _revision: number, looked: { entries: unknown[] }) => ({
    data: looked.entries.length > 0 ? server.preview : undefined,
    isPlaceholderData: false,
  }),
  useEnter: () => ({ mutateAsync: server.enter, isPending: false }),
  useTurn: () => ({ mutateAsync: server.turn, isPending: false }),
  useReread: () => server.reread,
}));
const address = vi.hoisted(() => ({ search: new URLSearchParams(), put: vi.fn() }));
vi.mock("./address", async (real) => ({
  ...(await real<typeof import("./address")>()),
  useAddress: () => [address.search, address.put],
}));

import { useJobEditorState } from "./useJobEditor";

const REST = 1500;
const job = (typed: string | null, more: Partial<Job> = {}) =>
  ({
    id: 7,
    revision: 4,
    build: "",
    fields: [{ name: "cover_clamp", typed, question: null }],
    choices: [],
    name: "Twin",
    vehicle: "Merrow",
    layout: "dry_car",
    problems: [],
    ...more,
  }) as unknown as Job;
const entered = job("9 kN");
const stale = () => new Refusal(412, "The job was changed since.", {});
const clamp = (typed: string | null): EntryIn[] => [{ quantity: "cover_clamp", typed }];

function editor() {
  return renderHook(() => useJobEditorState(entered)).result;
}

describe("the job editor", () => {
  beforeEach(() => {
    vi.useFakeTimers();
    sessionStorage.clear();
    address.search = new URLSearchParams();
    address.put.mockReset();
    server.preview = job("10 kN");
    server.enter.mockReset().mockResolvedValue(job("10 kN"));
    server.turn.mockReset().mockResolvedValue(entered);
    server.reread.mockReset().mockResolvedValue(job("11 kN", { revision: 5 }));
  });
  afterEach(() => vi.useRealTimers());

  it("enters what rests, once, and forgets the draft", async () => {
    const now = editor();
    act(() => now.current.type("cover_clamp", "10 kN"));
    expect(now.current.shown.fields[0]?.typed).toBe("10 kN");
    await act(() => vi.advanceTimersByTimeAsync(REST - 1));
    expect(server.enter).not.toHaveBeenCalled();
    await act(() => vi.advanceTimersByTimeAsync(1));
    expect(server.enter.mock.calls).toEqual([[clamp("10 kN")]]);
    expect(now.current.drafts).toEqual({});
  });

  it("begins to wait anew with every key", async () => {
    const now = editor();
    act(() => now.current.type("cover_clamp", "1"));
    await act(() => vi.advanceTimersByTimeAsync(REST - 100));
    act(() => now.current.type("cover_clamp", "10"));
    await act(() => vi.advanceTimersByTimeAsync(REST - 100));
    expect(server.enter).not.toHaveBeenCalled();
    await act(() => vi.advanceTimersByTimeAsync(100));
    expect(server.enter.mock.calls).toEqual([[clamp("10")]]);
  });

  it.each([
    ["a fault", { problems: [{ field: "cover_clamp", message: "no force" }] }],
    ["a question", { fields: [{ name: "cover_clamp", typed: "90 kN", question: { sentence: "Sure?" } }] }],
  ])("does not enter by itself what has %s", async (_what, more) => {
    server.preview = job("90 kN", more as unknown as Partial<Job>);
    const now = editor();
    act(() => now.current.type("cover_clamp", "90 kN"));
    await act(() => vi.advanceTimersByTimeAsync(10 * REST));
    expect(server.enter).not.toHaveBeenCalled();
    act(() => now.current.enter("cover_clamp")); // the builder may
    expect(server.enter).toHaveBeenCalledTimes(1);
  });

  it("leaves an emptied field alone until the builder says so", async () => {
    const now = editor();
    act(() => now.current.type("cover_clamp", ""));
    await act(() => vi.advanceTimersByTimeAsync(10 * REST));
    expect(server.enter).not.toHaveBeenCalled();
    act(() => now.current.enter("cover_clamp"));
    expect(server.enter.mock.calls).toEqual([[clamp(null)]]);
  });

  it("holds everything back while a stale write waits for the builder", async () => {
    server.enter.mockRejectedValueOnce(stale());
    const now = editor();
    act(() => now.current.type("cover_clamp", "10 kN"));
    await act(async () => now.current.enter("cover_clamp"));
    expect(now.current.conflict?.mine).toEqual(clamp("10 kN"));
    expect(now.current.conflict?.theirs.revision).toBe(5);
    await act(async () => now.current.enter("cover_clamp")); // a field that loses its focus
    await act(() => vi.advanceTimersByTimeAsync(10 * REST));
    expect(server.enter).toHaveBeenCalledTimes(1);
  });

  it.each([
    [true, 2, {}],
    [false, 1, {}],
  ])("settles a conflict: mine %s", async (mine, sent, drafts) => {
    server.enter.mockRejectedValueOnce(stale());
    const now = editor();
    act(() => now.current.type("cover_clamp", "10 kN"));
    await act(async () => now.current.enter("cover_clamp"));
    await act(async () => now.current.settle(mine));
    expect(now.current.conflict).toBeNull();
    expect(server.enter).toHaveBeenCalledTimes(sent);
    expect(now.current.drafts).toEqual(drafts);
  });

  it("keeps what is typed when nothing answers, and says so", async () => {
    server.enter.mockRejectedValueOnce(new Error("Lift Bite does not answer."));
    const now = editor();
    act(() => now.current.type("cover_clamp", "10 kN"));
    await act(async () => now.current.enter("cover_clamp"));
    expect(now.current.trouble).toContain("does not answer");
    expect(now.current.drafts).toEqual({ cover_clamp: "10 kN" });
  });

  it("finds its drafts again after a reload", () => {
    const first = editor();
    act(() => first.current.type("cover_clamp", "10 kN"));
    expect(editor().current.drafts).toEqual({ cover_clamp: "10 kN" });
  });

  it("enters what is tried at once and takes it out of the address", async () => {
    address.search = new URLSearchParams({ "try.cover_clamp": "12 kN" });
    const now = editor();
    expect(now.current.trial).toEqual({ cover_clamp: "12 kN" });
    await act(async () => now.current.keepTrial());
    expect(server.enter).toHaveBeenCalledWith(clamp("12 kN"));
    expect(address.put).toHaveBeenCalledWith({ "try.cover_clamp": null });
  });
});
