import { describe, expect, it } from "vitest";
import { knownAs, person, setPerson } from "./person";

function shelf() {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
}

describe("who works at this screen", () => {
  it("is kept as it was said, without the spaces round it", () => {
    const storage = shelf();
    expect(person(storage)).toBe("");
    setPerson("  Ines   Marrow ", storage);
    expect(person(storage)).toBe("Ines Marrow");
    setPerson("   ", storage);
    expect(person(storage)).toBe("");
  });

  it("has at most sixty characters, as the record takes them", () => {
    const storage = shelf();
    setPerson("x".repeat(80), storage);
    expect(person(storage)).toHaveLength(60);
  });

  it("is the one the shop knows, whatever the spelling; two the shop tells apart stay apart", () => {
    expect(knownAs(" ines  MARROW ", ["Bo Lind", "Inés Marrow"])).toBe("Inés Marrow");
    expect(knownAs("Ines Marrow", ["Inés Marrow", "Ines Marrow"])).toBe("Ines Marrow");
    expect(knownAs("Di Voss", ["Bo Lind"])).toBe("Di Voss");
  });
});
