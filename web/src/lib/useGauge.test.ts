// @vitest-environment happy-dom
import { renderHook, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

type Ask = (instrument: string, after: number, wait: number, gone: AbortSignal) => Promise<unknown>;
const ask = vi.hoisted(() => vi.fn<Ask>());
vi.mock("@/api/measure", () => ({ askGauge: ask }));

import { useGauge } from "./useGauge";

const OWN = "3";
const told = (newest: number, ...events: { number: number; kind: string; text: string }[]) => ({
  connected: true,
  newest,
  events,
});

describe("a gauge on screen", () => {
  beforeEach(() => sessionStorage.clear());
  afterEach(() => ask.mockReset());

  it("is none without an instrument", () => {
    const { result } = renderHook(() => useGauge("", async () => {}));
    expect(result.current).toBeNull();
    expect(ask).not.toHaveBeenCalled();
  });

  it("hands each value on once, and to the place that is open when it comes", async () => {
    const answers = [told(4), told(5, { number: 5, kind: "value", text: "2.95 mm" })];
    ask.mockImplementation(() => {
      const next = answers.shift();
      return next ? Promise.resolve(next) : new Promise(() => {});
    });
    const early = vi.fn(async () => {});
    const late = vi.fn(async () => {});
    const { rerender } = renderHook(({ take }) => useGauge(OWN, take), { initialProps: { take: early } });
    rerender({ take: late });
    await waitFor(() => expect(late).toHaveBeenCalledTimes(1));
    expect(late).toHaveBeenCalledWith({ number: 5, kind: "value", text: "2.95 mm" });
    expect(early).not.toHaveBeenCalled();
    await waitFor(() => expect(sessionStorage.getItem(`liftbite.gauge ${OWN}`)).toBe("5"));
  });

  it("lets the port go when the screen is left", async () => {
    ask.mockImplementation(() => new Promise(() => {}));
    const { unmount } = renderHook(() => useGauge(OWN, async () => {}));
    await waitFor(() => expect(ask).toHaveBeenCalled());
    const gone = ask.mock.calls[0]?.[3];
    expect(gone?.aborted).toBe(false);
    unmount();
    expect(gone?.aborted).toBe(true);
  });
});
