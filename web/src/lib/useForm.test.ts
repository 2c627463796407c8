// @vitest-environment happy-dom
import { act, renderHook } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { useForm } from "@/lib/useForm";

const event = { preventDefault: vi.fn() } as never;

describe("a form", () => {
  it("sends what stands in its fields, and is empty once that was taken", async () => {
    const send = vi.fn(async () => null);
    const { result } = renderHook(() => useForm({ part: "", reason: "" }, send));
    act(() => result.current.text("part").onText("Fork"));
    act(() => result.current.field("reason").onChange({ target: { value: "bent" } } as never));
    await act(async () => result.current.onSubmit(event));
    expect(send).toHaveBeenCalledWith({ part: "Fork", reason: "bent" });
    expect(result.current.words).toEqual({ part: "", reason: "" });
    expect(result.current.trouble).toBeNull();
  });

  it("keeps every word and says why where it was refused, until it is taken", async () => {
    let refused: string | null = "Trip: say how far";
    const { result } = renderHook(() => useForm({ distance: "far" }, async () => refused));
    await act(() => result.current.submit());
    expect(result.current.words.distance).toBe("far");
    expect(result.current.trouble).toBe("Trip: say how far");
    refused = null;
    await act(() => result.current.submit());
    expect(result.current.trouble).toBeNull();
  });

  it("leaves what is kept for the next one, and what was typed meanwhile of it", async () => {
    const { result } = renderHook(() => useForm({ kind: "bag", of: "" }, async () => null, ["kind"]));
    act(() => result.current.put({ kind: "mark", of: "shaft" }));
    await act(() => result.current.submit());
    expect(result.current.words).toEqual({ kind: "mark", of: "" });
  });

  it("shows what else was refused", async () => {
    const { result } = renderHook(() => useForm({}, async () => null));
    await act(async () => void (await result.current.tell(Promise.resolve("It is signed already"))));
    expect(result.current.trouble).toBe("It is signed already");
  });
});
