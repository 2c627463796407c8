/** Why something that was sent was not taken. */
export function Refused({ why, className = "" }: { why: string | null | undefined; className?: string }) {
  if (!why) return null;
  return (
    <p role="alert" className={`font-semibold ${className}`}>
      ▲ {why}
    </p>
  );
}
