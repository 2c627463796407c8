import { describe, expect, it } from "vitest";
import { FROM_NOW, type GaugeNews, type GaugeState, listen } from "./gauge";

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
      { connected: true, says: "The gauge sent something that is no reading." },
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
