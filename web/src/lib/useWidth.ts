import { type RefObject, useEffect, useState } from "react";

/** The width an element has on screen, followed as it changes [px]. */
export function useWidth(element: RefObject<Element | null>, before: number): number {
  const [width, setWidth] = useState(before);
  useEffect(() => {
    if (!element.current) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)));
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element]);
  return width;
}
