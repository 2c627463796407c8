/** How a verdict or a sum was worked out, on demand. */
export function Working({
  lines,
  title = "How it is worked out",
}: {
  lines: readonly string[];
  title?: string;
}) {
  if (lines.length === 0) return null;
  return (
    <details className="mt-2" data-testid="working">
      <summary className="min-h-11 content-center text-note font-semibold">{title}</summary>
      <ul className="border-l-2 border-hair pl-3 text-note">
        {lines.map((line) => (
          <li key={line} className="py-0.5">
            {line}
          </li>
        ))}
      </ul>
    </details>
  );
}
