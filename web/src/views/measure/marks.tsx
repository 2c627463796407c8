import type { Check } from "@/api/client";
import { useCatalogue } from "@/api/queries";

export type Verdict = Check["finding"]["verdict"];

/** What verdicts of the bench are called; by their names until the catalogue is there. */
export function useVerdictWords(): (verdict: Verdict) => string {
  const words = useCatalogue().data?.verdicts;
  return (verdict) => words?.[verdict] ?? verdict;
}

const SHAPES: Record<Verdict, { d: string; filled: boolean }> = {
  stop: { d: "M2 2h12v12H2z", filled: true },
  "renew as set": { d: "M3 13L8 2l5 11zM1 15h14", filled: true },
  renew: { d: "M3 14L8 2l5 12z", filled: true },
  "dress or resurface": { d: "M8 1l7 7-7 7-7-7z", filled: false },
  "put right": { d: "M8 2v12M2 8h12M8 2a6 6 0 1 0 .01 0z", filled: false },
  "too close to call": { d: "M2 6q3-4 6 0t6 0M2 11q3-4 6 0t6 0", filled: false },
  "reuse and watch": { d: "M1 8q7-9 14 0q-7 9-14 0zM8 6a2 2 0 1 0 .01 0z", filled: false },
  reuse: { d: "M2 8l4 5 8-10", filled: false },
  open: { d: "M3 8h10", filled: false },
  noted: { d: "M2 4h12M2 8h12M2 12h8", filled: false },
};

/** The shape of a verdict; the word always stands beside it. */
export function Mark({ verdict, className = "size-4" }: { verdict: Verdict; className?: string }) {
  const { d, filled } = SHAPES[verdict];
  return (
    <svg viewBox="0 0 16 16" className={`shrink-0 ${className}`} aria-hidden="true">
      <path
        d={d}
        fill={filled ? "currentColor" : "none"}
        stroke="currentColor"
        strokeWidth="1.6"
        strokeLinejoin="round"
      />
    </svg>
  );
}

type Picture = Check["picture"];

/** What each family of pictures draws as it gets worse: as new, light, bad, gone. Filled shapes first, then lines. */
const DRAWN: Record<Picture, readonly { fill: string; line: string }[]> = {
  surface: [
    { fill: "M2 20H62V42H2z", line: "M2 20H62" },
    {
      fill: "M2 20h12q2 4 4 0h14q2 3 4 0h10q2 4 4 0h12V42H2z",
      line: "M2 20h12q2 4 4 0h14q2 3 4 0h10q2 4 4 0h12",
    },
    {
      fill: "M2 20h8l3 12 4-12h12l4 14 4-14h10l3 11 3-11h9V42H2z",
      line: "M2 20h8l3 12 4-12h12l4 14 4-14h10l3 11 3-11h9",
    },
    { fill: "M2 20H62V42H2z", line: "M2 20H62M30 20l4 6-5 5 4 5-2 6M33 26l7 4M29 31l-7 3" },
  ],
  bearing: [
    {
      fill: "M32 4a18 18 0 1 0 .01 0zM32 14a8 8 0 1 1-.01 0z",
      line: "M32 4a18 18 0 1 0 .01 0zM32 14a8 8 0 1 0 .01 0z",
    },
    { fill: "", line: "M32 4a18 18 0 1 0 .01 0zM32 14a8 8 0 1 0 .01 0z" },
    { fill: "", line: "M32 4a18 18 0 1 0 .01 0zM32 14a8 8 0 1 0 .01 0zM32 6v6M32 32v6M16 22h6M42 22h6" },
    {
      fill: "",
      line: "M32 4a18 18 0 1 0 .01 0zM32 14l3 3 5 1-2 4 2 4-5 2-3 4-3-4-5-2 2-4-2-4 5-1zM20 10l4 4M44 34l-4-4",
    },
  ],
  seal: [
    { fill: "M2 6h24v32H2z", line: "M26 6v32M26 16q8 2 10 8h26" },
    { fill: "M2 6h24v32H2z", line: "M26 6v32M26 16q8 2 10 8h26M40 30q4 0 8 1" },
    {
      fill: "M2 6h24v32H2zM42 28q-4 7 0 8 4-1 0-8zM52 31q-4 6 0 7 4-1 0-7z",
      line: "M26 6v32M26 16q8 2 10 8h26",
    },
    { fill: "M2 6h24v32H2zM36 26h26v16H30z", line: "M26 6v32M26 16q8 2 10 8h26" },
  ],
  facing: [
    { fill: "M4 14h56v16H4z", line: "M4 14h56v16H4zM18 14v16M32 14v16M46 14v16" },
    { fill: "M4 14h56v16H4z", line: "M4 14h56v16H4zM10 18l6 8M24 18l6 8" },
    { fill: "", line: "M4 14h56v16H4zM10 28l8-12M22 28l8-12M34 28l8-12M46 28l8-12" },
    {
      fill: "M4 14h20l4 6-5 5 5 5H4zM34 14h26v16H32l4-6-4-5z",
      line: "M4 14h20l4 6-5 5 5 5H4zM34 14h26v16H32l4-6-4-5z",
    },
  ],
  spots: [
    { fill: "", line: "M4 10h56v24H4z" },
    { fill: "M24 10h16v24H24z", line: "M4 10h56v24H4z" },
    {
      fill: "M14 18a5 5 0 1 0 .01 0zM34 16a6 6 0 1 0 .01 0zM52 20a4 4 0 1 0 .01 0z",
      line: "M4 10h56v24H4zM14 18a5 5 0 1 0 .01 0zM34 16a6 6 0 1 0 .01 0zM52 20a4 4 0 1 0 .01 0z",
    },
    { fill: "", line: "M4 10h56v24H4zM8 16h48M8 21h44M12 26h44" },
  ],
  spring: [
    { fill: "", line: "M8 42h40M14 4v38M20 42h22l-22-6h22l-22-7h22l-22-7h22l-22-7h22l-22-7h22" },
    {
      fill: "M41 14h4v16h-4z",
      line: "M8 42h40M14 4v38M20 42h22l-22-6h22l-22-7h22l-22-7h22l-22-7h22l-22-7h22",
    },
    { fill: "", line: "M8 42h40M14 4v38M20 42h22l-20-6h22l-19-7h22l-18-7h22l-17-7h22l-16-7h22" },
    { fill: "", line: "M8 42h40M14 4v38M20 42h22l-22-6h22l-22-7h12M36 24l-4 3M22 20h20l-22-7h22l-22-7h22" },
  ],
  fastener: [
    { fill: "M22 8h20v10H22zM28 18h8v22h-8z", line: "M22 8h20v10H22zM6 20h52" },
    { fill: "M22 8h20v10H22zM28 18h8v22h-8z", line: "M22 8h20v10H22zM6 22h52" },
    { fill: "M22 4h20v10H22zM28 14h8v26h-8z", line: "M22 4h20v10H22zM6 22h52M46 8q6 4 0 8" },
    { fill: "M22 4h20v10H22zM28 14h8v26h-8z", line: "M22 4h20v10H22zM6 24h52M46 6q8 5 0 10M18 6q-8 5 0 10" },
  ],
};

/** The picture of a condition: a cut through a surface, a bearing, a seal's lip, a facing, a fastener, spots, a spring. */
export function Profile({ picture, level }: { picture: Picture; level: number }) {
  const drawn = DRAWN[picture][level];
  if (!drawn) return null;
  return (
    <svg viewBox="0 0 64 44" className="h-11 w-16 shrink-0" aria-hidden="true">
      <path d={drawn.fill} fill="var(--hair)" fillRule="evenodd" stroke="none" />
      <path d={drawn.line} fill="none" stroke="currentColor" strokeWidth="1.75" />
    </svg>
  );
}
