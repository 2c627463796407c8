import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Check } from "@/api/client";
import { beep, setSoundOn, soundOn } from "./beep";
import { FROM_NOW, type GaugeNews, type GaugeState, listen } from "./gauge";
import { KEY_NAMES, nextCheck, openPlaces, PAD, pieceAfter, placeNow, press } from "./keypad";
import { figureIn } from "./money";

const typed = (...keys: string[]) => keys.reduce(press, "");

describe("the keypad", () => {
  it("types figures, fractions and thou as a bench writes them", () => {
    expect(typed("2", ".", "8", "3")).toBe("2.83");
    expect(typed("3", "␣", "7", "⁄", "3", "2")).toBe("3 7/32");
    expect(typed("1", "⁄", "4")).toBe("1/4");
    expect(typed("−", "4")).toBe("-4");
    expect(typed("4", "−", "−")).toBe("4");
  });

  it("does nothing where a key makes no figure", () => {
    expect(typed("⁄")).toBe("");
    expect(typed("␣")).toBe("");
    expect(typed("2", ".", ".", "5")).toBe("2.5");
    expect(typed("1", "⁄", "⁄", "4")).toBe("1/4");
    expect(typed("1", "⁄", "4", ".")).toBe("1/4");
    expect(typed("2", ".", "5", "⁄")).toBe("2.5");
    expect(typed("2", ".", "5", "␣")).toBe("2.5");
    expect(typed("3", "␣", "␣", "7")).toBe("3 7");
    expect(typed(..."1".repeat(30)).length).toBe(20);
  });

  it("takes back and clears", () => {
    expect(typed("2", ".", "8", "⌫")).toBe("2.");
    expect(typed("2", ".", "8", "C")).toBe("");
    expect(press("", "⌫")).toBe("");
  });

  it("has sixteen keys, and a name for each that is no digit", () => {
    const keys = PAD.flat();
    expect(new Set(keys).size).toBe(16);
    for (const key of keys.filter((each) => !/\d/.test(each))) expect(KEY_NAMES[key]).toBeTruthy();
  });
});

const check = (name: string, places: string[], read: string[], more: Partial<Check> = {}): Check =>
  ({
    name,
    kind: "reading",
    grows: false,
    places: places.map((key) => ({ key, item: key.split(",")[0], spot: "" })),
    readings: read.map((place) => ({ place })),
    ...more,
  }) as unknown as Check;

describe("the order of a check", () => {
  const half = check("plates", ["Plate 1", "Plate 2", "Plate 3"], ["Plate 1"]);

  it("goes to the first place without a reading", () => {
    expect(openPlaces(half)).toEqual(["Plate 2", "Plate 3"]);
    expect(placeNow(half, null)).toBe("Plate 2");
  });

  it("goes on while a reading is on its way", () => {
    expect(openPlaces(half, ["Plate 2"])).toEqual(["Plate 3"]);
    expect(placeNow(half, null, ["Plate 2"])).toBe("Plate 3");
    expect(placeNow(half, "Plate 2", ["Plate 2"])).toBe("Plate 2");
    expect(placeNow(half, null, ["Plate 2", "Plate 3"])).toBeNull();
  });

  it("goes where it is asked, if there is such a place", () => {
    expect(placeNow(half, "Plate 1")).toBe("Plate 1");
    expect(placeNow(half, "Plate 9")).toBe("Plate 2");
    expect(placeNow(check("bore", ["0°"], [], { kind: "sweep" }), "22.5°")).toBe("22.5°");
    expect(placeNow(check("spacers", ["Spacer 1"], ["Spacer 1"], { grows: true }), "Spacer 2")).toBe(
      "Spacer 2",
    );
  });

  it("ends when every place is read", () => {
    expect(placeNow(check("one", ["Once"], ["Once"]), null)).toBeNull();
  });

  it("leads to the next check with places left, past what only feeds sums, and round to the first", () => {
    const all = [
      check("a", ["Once"], []),
      check("b", ["Once"], ["Once"]),
      check("c", ["Once"], [], { kind: "figure" }),
      check("d", ["Once"], []),
    ];
    expect(nextCheck(all, "b")).toBe("d");
    expect(nextCheck(all, "d")).toBe("a");
    expect(nextCheck([check("a", ["Once"], ["Once"])], "a")).toBeNull();
  });

  it("names one more piece after those there are", () => {
    expect(pieceAfter(check("spacers", ["Spacer 1", "Spacer 2"], []))).toBe("Spacer 3");
    expect(pieceAfter(check("none", [], []))).toBe("Piece 1");
  });
});

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

describe("a plain figure", () => {
  it("takes comma and point, spaces and a percent sign", () => {
    expect(figureIn("1 250,50")).toBe(1250.5);
    expect(figureIn("10 %")).toBe(10);
    expect(figureIn("0")).toBe(0);
  });

  it("is none where it is no figure or below nothing", () => {
    for (const text of ["", "ten", "-5", "1.2.3", "5 h"]) expect(figureIn(text)).toBeNull();
  });
});

describe("listening to a gauge", () => {
  const value = (number: number, text = `${number} mm`) => ({ number, kind: "value" as const, text });

  /** Plays answers one after the other, then calls the listening off. */
  async function heard(answers: (GaugeNews | Error)[], begin = 0) {
    const gone = new AbortController();
    const asked: [number, number][] = [];
    const told: GaugeState[] = [];
    const values: string[] = [];
    let kept = begin;
    await listen({
      ask: async (after, wait) => {
        asked.push([after, wait]);
        const next = answers.shift();
        if (!next) {
          gone.abort();
          return { connected: true, newest: 0, events: [] };
        }
        if (next instanceof Error) throw next;
        return next;
      },
      gone: gone.signal,
      seen: {
        read: () => kept,
        keep: (number) => {
          kept = number;
        },
      },
      tell: (state) => told.push(state),
      onValue: async (event) => {
        await Promise.resolve();
        values.push(event.text);
      },
      retry: 0,
    });
    return { asked, told, values, kept: () => kept };
  }

  it("begins with what comes from now on, and asks how the port stands at once", async () => {
    const { asked } = await heard([{ connected: true, newest: 7, events: [] }]);
    expect(asked).toEqual([
      [FROM_NOW, 0],
      [7, 4],
    ]);
  });

  it("hands on every value in order and goes on after the last", async () => {
    const { values, asked } = await heard([
      {
        connected: true,
        newest: 3,
        events: [value(1), { number: 2, kind: "said", text: "hello" }, value(3)],
      },
      { connected: true, newest: 4, events: [value(4)] },
    ]);
    expect(values).toEqual(["1 mm", "3 mm", "4 mm"]);
    expect(asked.map(([after]) => after)).toEqual([FROM_NOW, 3, 4]);
  });

  it("goes on after a refresh where it stopped", async () => {
    const { asked } = await heard([{ connected: true, newest: 9, events: [] }], 5);
    expect(asked[0]).toEqual([5, 0]);
  });

  it("says when the gauge is gone, sends what is no reading, and is back", async () => {
    const { told } = await heard([
      { connected: false, newest: 1, events: [{ number: 1, kind: "lost", text: "unplugged" }] },
      { connected: true, newest: 2, events: [{ number: 2, kind: "back", text: "connected" }] },
      { connected: true, newest: 3, events: [{ number: 3, kind: "odd", text: "12.3" }] },
    ]);
    expect(told.slice(0, 3)).toEqual([
      { connected: false, says: "unplugged" },
      { connected: true, says: "connected" },
      { connected: true, says: "The gauge sent “12.3”, which is no reading." },
    ]);
  });

  it("tries again after a request that failed, from the same place", async () => {
    const { asked, told, values } = await heard([
      { connected: true, newest: 2, events: [value(2)] },
      new Error("Lift Bite does not answer."),
      { connected: true, newest: 3, events: [value(3)] },
    ]);
    expect(asked.map(([after]) => after)).toEqual([FROM_NOW, 2, 2, 3]);
    expect(told[1]).toEqual({ connected: false, says: "Lift Bite does not answer." });
    expect(values).toEqual(["2 mm", "3 mm"]);
  });
});
