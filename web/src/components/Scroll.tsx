import type { ReactNode } from "react";

/** A region that scrolls by itself and can be reached by keyboard. */
export function Scroll({
  label,
  className,
  children,
}: {
  label: string;
  className: string;
  children: ReactNode;
}) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region has to be reachable by keyboard
    <section className={className} tabIndex={0} aria-label={label}>
      {children}
    </section>
  );
}
