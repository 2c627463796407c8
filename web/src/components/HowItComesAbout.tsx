/** The working of a figure that was said in words, folded until it is asked for. */
export function HowItComesAbout({ words }: { words: string }) {
  if (!words) return null;
  return (
    <details className="text-note">
      <summary className="plain-link inline-flex min-h-6 cursor-pointer items-center">
        How it comes about
      </summary>
      <p>{words}</p>
    </details>
  );
}
