import { beforeEach, describe, expect, it, vi } from "vitest";
import { beep, setSoundOn, soundOn } from "./beep";

describe("the beep", () => {
  const store = new Map<string, string>();
  beforeEach(() => {
    store.clear();
    vi.stubGlobal("localStorage", {
      getItem: (key: string) => store.get(key) ?? null,
      setItem: (key: string, value: string) => store.set(key, value),
    });
  });

  it("can be switched off and stays off", () => {
    expect(soundOn()).toBe(true);
    setSoundOn(false);
    expect(soundOn()).toBe(false);
    setSoundOn(true);
    expect(soundOn()).toBe(true);
  });

  it("is silent where the browser has no sound, and throws nothing", () => {
    expect(() => beep(true)).not.toThrow();
    const started = vi.fn();
    const part = () => ({
      frequency: { value: 0 },
      gain: { setValueAtTime: vi.fn(), exponentialRampToValueAtTime: vi.fn() },
      connect: () => ({ connect: vi.fn() }),
      start: started,
      stop: vi.fn(),
    });
    vi.stubGlobal(
      "AudioContext",
      class {
        currentTime = 0;
        destination = {};
        createOscillator = part;
        createGain = part;
      },
    );
    beep(true);
    expect(started).toHaveBeenCalledOnce();
    setSoundOn(false);
    beep(false);
    expect(started).toHaveBeenCalledOnce();
  });
});
