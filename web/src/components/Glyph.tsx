import type { Verdict } from "@/api/client";

const FILLS: Record<string, string> = { none: "none", ink: "currentColor", hair: "var(--hair)" };

/** The glyph of a verdict, as the core draws it from the numbers. */
export function Glyph({ verdict, className = "h-12 w-16" }: { verdict: Verdict; className?: string }) {
  return (
    <svg viewBox="0 0 64 48" className={className} aria-hidden="true" stroke="currentColor">
      {(verdict.glyph ?? []).map((stroke) => (
        <path
          key={`${stroke.path} ${stroke.width}`}
          d={stroke.path}
          strokeWidth={stroke.width}
          strokeDasharray={stroke.dashes.join(" ") || undefined}
          stroke={stroke.width === 0 ? "none" : undefined}
          fill={FILLS[stroke.fill] ?? stroke.fill}
        />
      ))}
    </svg>
  );
}
