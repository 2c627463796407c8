// @vitest-environment happy-dom
import { act, renderHook } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Check } from "@/api/client";
import { useSent } from "./useSent";

const reading = (place: string) => ({ place }) as Check["readings"][number];
const check = (...places: string[]) => ({ readings: places.map(reading) }) as Check;

describe("readings on their way", () => {
  it("count until the bench shows them", () => {
    const before = check();
    const { result, rerender } = renderHook(({ now }) => useSent(now), { initialProps: { now: before } });
    let done = () => {};
    act(() => {
      done = result.current[1]("Plate 1");
    });
    expect(result.current[0]).toEqual(["Plate 1"]);
    act(() => done());
    expect(result.current[0]).toEqual(["Plate 1"]); // taken, but the bench does not show it yet
    rerender({ now: check("Plate 1") });
    expect(result.current[0]).toEqual([]);
  });

  it("stay while another one's reading comes in", () => {
    const { result, rerender } = renderHook(({ now }) => useSent(now), { initialProps: { now: check() } });
    let first = () => {};
    act(() => {
      first = result.current[1]("Plate 1");
      result.current[1]("Plate 2");
    });
    act(() => first());
    rerender({ now: check("Plate 1") });
    expect(result.current[0]).toEqual(["Plate 2"]);
  });

  it("give their place free again when refused", () => {
    const none = check();
    const { result } = renderHook(() => useSent(none));
    act(() => {
      result.current[1]("Plate 1");
    });
    act(() => result.current[2]("Plate 1"));
    expect(result.current[0]).toEqual([]);
  });
});
