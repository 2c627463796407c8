import type { Verdict } from "@/api/client";
import { biteGlyph, heatGlyph, liftGlyph, temperColour, trueGlyph } from "@/lib/glyph";

/** The four glyphs, drawn from the numbers. What is not worked out is only outlined. */
export function Glyph({
  verdict,
  celsius = null,
  className = "h-12 w-16",
}: {
  verdict: Verdict;
  celsius?: number | null;
  className?: string;
}) {
  const margin = verdict.deciding?.reserve.si ?? null;
  return (
    <svg viewBox="0 0 64 48" className={className} aria-hidden="true" fill="none" stroke="currentColor">
      {verdict.question === "bite" && <Bite verdict={verdict} />}
      {verdict.question === "lift" && (margin === null ? <LiftOutline /> : <Lift margin={margin} />)}
      {verdict.question === "heat" &&
        (margin === null ? <HeatOutline /> : <Heat margin={margin} celsius={celsius} />)}
      {verdict.question === "true" && (margin === null ? <TrueOutline /> : <True margin={margin} />)}
    </svg>
  );
}

/** Two faces apart by as much as the margin; the tick is where it is just enough. */
function Lift({ margin }: { margin: number }) {
  const { gap, enough } = liftGlyph(margin);
  return (
    <g strokeWidth="1.75">
      <Plate from={4} to={24} lean={1} />
      <Plate from={24 + gap} to={Math.min(44 + gap, 62)} lean={-1} />
      <path d={`M${24 + enough} 0v4M${24 + enough} 44v4`} strokeWidth="2.5" />
    </g>
  );
}

/** A bar filled by what the hottest moment uses up, in the colour steel takes at that heat. */
function Heat({ margin, celsius }: { margin: number; celsius: number | null }) {
  return (
    <g strokeWidth="1.75">
      <rect
        x="6"
        y="16"
        width={heatGlyph(margin)}
        height="16"
        fill={(celsius !== null && temperColour(celsius)) || "var(--hair)"}
        stroke="none"
      />
      <rect x="6" y="16" width="52" height="16" />
      <path d={`M${6 + heatGlyph(margin)} 11v26`} strokeWidth="2.5" />
    </g>
  );
}

/** A circle as far off its centre as the weakest of speed, balance and joints is from its limit. */
function True({ margin }: { margin: number }) {
  const off = trueGlyph(margin);
  return (
    <g strokeWidth="1.75">
      <circle cx="32" cy="24" r="20" strokeWidth="1" strokeDasharray="3 3" />
      <path d="M32 18v12M26 24h12" strokeWidth="1" />
      <circle cx={32 + off * 0.8} cy={24 - off * 0.6} r="14" />
      <circle cx={32 + off * 0.8} cy={24 - off * 0.6} r="1.800" fill="currentColor" stroke="none" />
    </g>
  );
}

const OUTLINE = { strokeWidth: 1.5, strokeDasharray: "2 3" };

function Bite({ verdict }: { verdict: Verdict }) {
  const margin = verdict.margin?.nominal.si;
  if (margin == null) {
    return (
      <g {...OUTLINE}>
        <rect x="6" y="6" width="22" height="36" />
        <rect x="36" y="6" width="22" height="36" />
      </g>
    );
  }
  const { leftEdge, rightEdge, overlap, targetEdge } = biteGlyph(margin, verdict.target?.si ?? null);
  return (
    <g strokeWidth="1.75">
      <Plate from={3} to={leftEdge} lean={1} />
      <Plate from={rightEdge} to={61} lean={-1} />
      {overlap > 0 && (
        <rect x={rightEdge} y="5" width={overlap} height="38" fill="currentColor" stroke="none" />
      )}
      {targetEdge !== null && <path d={`M${targetEdge} 0v4M${targetEdge} 44v4`} strokeWidth="2.5" />}
    </g>
  );
}

/** A face in section, hatched at 45 degrees. */
function Plate({ from, to, lean }: { from: number; to: number; lean: 1 | -1 }) {
  const width = Math.max(to - from, 0);
  const lines: string[] = [];
  for (let y = 5; y < 43 + width; y += 6) {
    const clip = (offset: number) => y - offset;
    const start = Math.max(0, clip(43));
    const end = Math.min(width, clip(5));
    if (end <= start) continue;
    const x = (offset: number) => (lean === 1 ? from + offset : to - offset);
    lines.push(`M${x(start)} ${y - start}L${x(end)} ${y - end}`);
  }
  return (
    <>
      <rect x={from} y="5" width={width} height="38" />
      <path d={lines.join("")} strokeWidth="1" />
    </>
  );
}

const LiftOutline = () => (
  <g {...OUTLINE}>
    <rect x="6" y="6" width="20" height="36" />
    <rect x="40" y="6" width="18" height="36" />
    <path d="M29 24h8" />
  </g>
);

const HeatOutline = () => (
  <g {...OUTLINE}>
    <rect x="6" y="17" width="52" height="14" />
  </g>
);

const TrueOutline = () => (
  <g {...OUTLINE}>
    <circle cx="32" cy="24" r="19" />
    <path d="M32 18v12M26 24h12" />
  </g>
);
